import { describe, expect, it } from 'vitest'
import { point, type Points } from '../envelope'
import { compileMix, render } from '../engine'
import { integratedLoudness, loudnessTrace, measureLoudness } from '../loudness'
import { plainMix, withPoints, withSetting, type Mix } from '../mix'
import { SAMPLE_RATE } from '../time'
import { audioFor, smallSong } from '../../test/songs'
import { crossEnergy, InstantLoudness } from '.'

const song = smallSong(12)
/** Two parts that share frequencies, so that their phases matter. */
const audio = audioFor(
  song,
  (n) => Math.round(9000 * Math.sin(n * 0.05) + 4000 * Math.sin(n * 0.11) * Math.sin(n * 0.0002)),
  (n, side) => Math.round(6000 * Math.sin(n * 0.05 + side) + 3000 * (((n * 7919) % 2000) / 1000 - 1)),
)
const program = (mix: Mix) => compileMix(song, mix)
const table = crossEnergy(program(plainMix(song)).tracks, audio, program(plainMix(song)).length)!
const instant = new InstantLoudness(table, song.tempo)

/** Largest difference of the momentary loudness, where it is above −50 LUFS, and that of the integrated one. */
function compare(mix: Mix): { integrated: number; momentary: number } {
  const { left, right } = render(program(mix), audio)!
  const rendered = measureLoudness(SAMPLE_RATE, [left, right])
  const hops = instant.hops(program(mix))
  const trace = loudnessTrace(hops, 4)
  let momentary = 0
  trace.forEach((v, i) => {
    if (i > 3 && rendered.momentary[i]! > -50)
      momentary = Math.max(momentary, Math.abs(v - rendered.momentary[i]!))
  })
  return { integrated: Math.abs(integratedLoudness(hops)! - rendered.integrated!), momentary }
}

const mixes: readonly (readonly [string, Mix])[] = [
  ['as it is', plainMix(song)],
  [
    'other settings',
    withSetting(
      withSetting(withSetting(plainMix(song), 'track/reed/level', -9), 'track/reed/pan', 0.6),
      'track/pad/width',
      0.3,
    ),
  ],
  ['main and gain', withSetting(withSetting(plainMix(song), 'main/level', -4), 'track/pad/gain', 5)],
  ['one muted', withSetting(plainMix(song), 'track/pad/mute', 1)],
]

describe('instant loudness', () => {
  it.each(mixes)('is what a render gives: %s', (_, mix) => {
    const { integrated, momentary } = compare(mix)
    expect(integrated).toBeLessThan(0.02)
    expect(momentary).toBeLessThan(0.1)
  })

  it.each<[string, string, Points]>([
    [
      'a volume line of under 24 dB a second',
      'track/reed/level',
      [point(0, -24), point(3840, -1), point(9000, -20), point(20_000, 3)],
    ],
    ['a pan line', 'track/reed/pan', [point(0, -1), point(20_000, 1)]],
    ['a width line', 'track/pad/width', [point(0, 0), point(20_000, 2)]],
  ])('follows %s within 0.1 LU', (_, address, points) => {
    const { integrated, momentary } = compare(withPoints(plainMix(song), address, points, () => 'line'))
    expect(integrated).toBeLessThan(0.1)
    expect(momentary).toBeLessThan(0.1)
  })

  it('knows each track by itself, and moves off', () => {
    const mix = withPoints(plainMix(song), 'track/reed/level', [point(0, -90)], () => 'line')
    const own = (track?: number, moves = true) => integratedLoudness(instant.hops(program(mix), moves, track))
    expect(own(0)).toBeNull()
    expect(own(0, false)).toBeGreaterThan(-20)
    expect(own(1)).toBeCloseTo(own()!, 6)
  })

  it('says the same step by step as afresh, whatever changed before', () => {
    let mix: Mix = plainMix(song)
    for (let step = 0; step < 40; step++) {
      const address = ['track/reed/level', 'track/pad/pan', 'track/pad/width', 'track/reed/pan'][step % 4]!
      mix = withSetting(mix, address, Math.sin(step) * 0.9)
      const afresh = new InstantLoudness(table, song.tempo).hops(program(mix))
      instant.hops(program(mix)).forEach((e, h) => expect(Math.abs(e - afresh[h]!)).toBeLessThan(1e-9))
    }
  })

  it('says the same after edits of a line here and there as afresh', () => {
    let points: Points = [point(0, -12), point(4000, -6, 's'), point(9000, -20, 'jump'), point(15_000, -3)]
    const edits: readonly ((now: Points) => Points)[] = [
      (now) => now.map((p, i) => (i === 1 ? point(5000, 2, 's') : p)),
      (now) => [...now.slice(0, 2), point(7000, -40), ...now.slice(2)],
      (now) => now.map((p, i) => (i === now.length - 1 ? point(16_000, -30) : p)),
      (now) => now.slice(1),
      () => [],
      () => [point(0, -90), point(3000, 0, 'curve', 2), point(18_000, -9)],
      (now) => now.map((p, i) => (i === 1 ? { ...p, form: 'straight' as const, bend: 0 } : p)),
      (now) => now.slice(0, 1),
    ]
    const own = new InstantLoudness(table, song.tempo)
    for (const address of ['track/pad/level', 'track/reed/pan']) {
      let mix: Mix = plainMix(song)
      for (const edit of edits) {
        points = edit(points)
        const held = address.endsWith('pan') ? points.map((p) => ({ ...p, value: p.value / 90 })) : points
        mix = withPoints(mix, address, held, () => 'line')
        const afresh = new InstantLoudness(table, song.tempo).hops(program(mix))
        own.hops(program(mix)).forEach((e, h) => expect(Math.abs(e - afresh[h]!)).toBeLessThan(1e-9))
        for (const track of [0, 1]) {
          const alone = new InstantLoudness(table, song.tempo).hops(program(mix), true, track)
          own
            .hops(program(mix), true, track)
            .forEach((e, h) => expect(Math.abs(e - alone[h]!)).toBeLessThan(1e-9))
        }
      }
    }
  })

  it('can be stopped while the table is made', () => {
    expect(
      crossEnergy(program(plainMix(song)).tracks, audio, program(plainMix(song)).length, () => false),
    ).toBeNull()
  })
})
