import { describe, expect, it, vi } from 'vitest'
import { audioFor, smallSong } from '../../test/songs'
import { point } from '../envelope'
import { addReturn, addSend, plainMix, trackLevel, withPoints, withSetting, type Mix } from '../mix'
import { SAMPLE_RATE } from '../time'
import { balancePicture, hear, hearBands, RecentParts } from '.'

const BAR = 3840
const LEVEL = trackLevel('reed')
const song = {
  ...smallSong(8),
  sections: [
    { id: 'a', letter: 'A', name: '', tick: 0 },
    { id: 'b', letter: 'B', name: '', tick: 2 * BAR },
  ],
}

/** Noise between two frequencies, the same every half second: many tones that lie close to each other. */
function noise(low: number, high: number, level: number): (n: number) => number {
  const tones = Array.from({ length: 24 }, (_, i) => ({
    // of even frequencies, all of which begin anew with it
    hz: 2 * Math.round((low + ((high - low) * (i + 0.5)) / 24) / 2),
    phase: (i * 2.39996) % (2 * Math.PI),
  }))
  const wave = new Float64Array(SAMPLE_RATE / 2).map((_, n) =>
    tones.reduce(
      (sum, { hz, phase }) => sum + (level / 5) * Math.sin((2 * Math.PI * hz * n) / SAMPLE_RATE + phase),
      0,
    ),
  )
  return (n) => wave[n % wave.length]!
}

/** The reed leads between 520 and 1060 Hz; the pad lies over it from the second half on, or somewhere else. */
const reed = noise(520, 1060, 1500)
const half = 4 * SAMPLE_RATE
const audioWith = (pad: (n: number) => number) =>
  audioFor(
    song,
    (n) => Math.round(reed(n)),
    (n) => (n < half ? 0 : Math.round(pad(n))),
  )
const above = audioWith(noise(520, 1060, 6000))
const apart = audioWith(noise(2400, 4000, 6000))

const pictureOf = (audio: typeof above, mix: Mix = plainMix(song)) =>
  balancePicture(song, hear(song, mix, audio)!, hearBands(song, mix, audio)!)

describe('a balance', () => {
  it('has the lead over the rest bar by bar', () => {
    const { bars, sections } = pictureOf(above)
    expect(bars.map((b) => b.bar)).toEqual([1, 2, 3, 4])
    expect(bars[0]!.lead!).toBeGreaterThan(30)
    // four times as strong, and in stereo
    expect(bars[2]!.lead!).toBeCloseTo(-20 * Math.log10(4) - 3, 0)
    expect(bars[3]!.lead).toBeCloseTo(bars[2]!.lead!, 0)
    expect(sections.map((s) => s.section)).toEqual(['a', 'b'])
  })

  it('says who is in the way of the lead and where, and nobody where both lie in bands of their own', () => {
    const { way } = pictureOf(above)
    expect(way.map((w) => [w.section, w.lead, w.by.length])).toEqual([
      ['a', 'reed', 0],
      ['b', 'reed', 1],
    ])
    const [pad] = way[1]!.by
    expect(pad).toMatchObject({ track: 'pad', low: 510, high: 1080 })
    expect(pad!.share).toBeGreaterThan(0.9)
    expect(pictureOf(apart).way[1]!.by).toEqual([])
  })

  it('tells how far it would have to step back, and that is enough', () => {
    const plain = plainMix(song)
    const { back } = pictureOf(above).way[1]!.by[0]!
    expect(back).toBeGreaterThan(3)
    const softer = pictureOf(above, withSetting(plain, trackLevel('pad'), -back!))
    expect(softer.way[1]!.by.reduce((sum, w) => sum + w.share, 0)).toBeLessThan(0.3)
  })

  it('of a song whose lead never sounds has none, and is stopped where nobody waits any more', () => {
    const pad = noise(500, 900, 3000)
    const silent = audioFor(
      song,
      () => 0,
      (n) => Math.round(pad(n)),
    )
    const { bars, way } = pictureOf(silent)
    expect([bars.every((b) => b.lead === null), way]).toEqual([true, []])
    expect(hearBands(song, plainMix(song), above, new RecentParts(), () => false)).toBeNull()
  })

  it('is the same whether a fader was moved before its track was played, or after', () => {
    const softer = withSetting(plainMix(song), trackLevel('pad'), -7)
    const known = new RecentParts()
    hearBands(song, plainMix(song), above, known)
    const [after, before] = [known, new RecentParts()].map((cache) => hearBands(song, softer, above, cache)!)
    const of = (bands: typeof after) => [...bands!.get('b')!.get('pad')!]
    of(before).forEach((energy, band) => expect(of(after)[band]).toBeCloseTo(energy, 9))
  })

  describe('what is seen while the mix is heard', () => {
    const sent = addSend(
      addSend(
        addReturn(plainMix(song), 'Hall', 'reverb', { back: 'hall', effect: 'fx' }),
        'reed',
        'hall',
        's',
      ),
      'pad',
      'hall',
      'p',
    )
    const reedAlone = withSetting(sent, 'send/s/level', -6)
    const mixes: readonly (readonly [string, Mix])[] = [
      ['as it is', plainMix(song)],
      [
        'softer, and turned aside',
        withSetting(withSetting(plainMix(song), LEVEL, -11), 'track/reed/pan', 0.7),
      ],
      ['with a line', withPoints(plainMix(song), LEVEL, [point(0, -20), point(4 * BAR, 0)], () => 'line')],
      ['with a return of its own', reedAlone],
      ['with a return that is shared', withSetting(reedAlone, 'send/p/level', -9)],
    ]

    it.each(mixes)('is what is seen of each track alone: %s', (_, mix) => {
      const known = new RecentParts()
      hear(song, mix, above, known, { bands: true })
      const again = vi.fn(() => true)
      const [seen, alone] = [hearBands(song, mix, above, known, again)!, hearBands(song, mix, above)!]
      expect(again).not.toHaveBeenCalled()
      for (const [section, tracks] of alone)
        for (const [track, bands] of tracks) {
          const most = Math.max(...bands)
          bands.forEach((energy, band) =>
            expect(Math.abs(seen.get(section)!.get(track)![band]! - energy)).toBeLessThanOrEqual(most * 1e-5),
          )
        }
    })

    it('is not told of a track that is turned down: it is played again', () => {
      const known = new RecentParts()
      const silent = withSetting(plainMix(song), LEVEL, -90)
      hear(song, silent, above, known, { bands: true })
      const louder = hearBands(song, withSetting(silent, LEVEL, 0), above, known)!
      expect(louder).toEqual(hearBands(song, plainMix(song), above)!)
    })
  })
})
