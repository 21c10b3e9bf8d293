import { describe, expect, it } from 'vitest'
import { playRhythm, RHYTHMS } from '../../test/rhythms'
import { SAMPLE_RATE } from '../time'
import { findTempo, outlineOf, proposeSections, roughBalance } from '.'

describe('findTempo', () => {
  it('finds at least nine of ten steady tempi within one percent', () => {
    const found = RHYTHMS.map((rhythm) => ({ rhythm, tempo: findTempo([outlineOf([playRhythm(rhythm)])])! }))
    const right = found.filter(({ rhythm, tempo }) => Math.abs(tempo.bpm / rhythm.bpm - 1) < 0.01)
    const said = found.map(
      ({ rhythm, tempo }) =>
        `${rhythm.name}: ${tempo.bpm} for ${rhythm.bpm} (${tempo.confidence.toFixed(2)})`,
    )
    expect(right.length, said.join('\n')).toBeGreaterThanOrEqual(9)
  })

  it('hears what bars are made of, and what else they could be', () => {
    const meterOf = (low: string, high: string) =>
      findTempo([outlineOf([playRhythm({ name: '', bpm: 116, low, high, lead: 0.2 })])])!
    expect(meterOf('X...........', '....x.x.x...').meter).toMatchObject({ beats: 3, unit: 4 })
    expect(meterOf('X...............x...', '....x.x.x...x.......').meter).toMatchObject({ beats: 5, unit: 4 })
    // an octave is offered beside what was found
    const { bpm, also } = meterOf('X...x...X...x...', 'x.x.x.x.x.x.x.x.')
    expect([bpm, ...also.map((a) => a.bpm)]).toEqual(expect.arrayContaining([116, 58]))
  })

  it('tells six eighths from three quarters, and offers the other beside it', () => {
    const readings = (low: string, high: string) => {
      const { bpm, meter, also } = findTempo([
        outlineOf([playRhythm({ name: '', bpm: 120, low, high, lead: 0 })]),
      ])!
      return [{ bpm, meter }, ...also].map((r) => `${r.bpm} ${r.meter.beats}/${r.meter.unit}`)
    }
    // a jig: two strong beats in a bar, each of three eighths
    const jig = readings('X.....X.....', 'x.x.x.x.x.x.')
    expect(jig[0]).toMatch(/6\/8$/)
    expect(jig).toContain('120 6/8')
    const waltz = readings('X...........', '....x...x...')
    expect(waltz[0]).toBe('120 3/4')
    expect(waltz).toContain('120 6/8')
  })

  it('takes tunes of even quarters for no waltz, whatever their tempo', () => {
    const [q, h] = ['x...', 'x.......']
    const tune = [q, q, q, q, h, h, q, q, q, q, h, h].join('')
    const round = [q, q, q, q, q, q, q, q, q, q, h, q, q, h].join('')
    // at 90 every third beat falls on a step of the outline, and the others between two
    for (const bpm of [72, 90, 97, 120])
      for (const high of [tune, round]) {
        const found = findTempo([
          outlineOf([playRhythm({ name: '', bpm, low: 'X...............', high, lead: 0.2 })]),
        ])!
        const readings = [found, ...found.also].map((r) => `${r.bpm} ${r.meter.beats}/${r.meter.unit}`)
        expect(readings, `${bpm}`).toContain(`${bpm} 4/4`)
        expect(found.meter).toMatchObject({ beats: 4, unit: 4 })
      }
  })

  it('guesses where no bar is heard, and says so', () => {
    const even = { name: '', bpm: 90, low: 'X...', high: 'x...', lead: 0 }
    const { meter, also } = findTempo([outlineOf([playRhythm(even)])])!
    expect(meter).toMatchObject({ beats: 4, unit: 4 })
    expect(meter.confidence).toBeLessThan(0.3)
    expect(also).toContainEqual({ bpm: 90, meter: expect.objectContaining({ beats: 3, unit: 4 }) })
  })

  it('offers four beside three that are in doubt', () => {
    // three are struck, but hardly otherwise than the rest
    const waltz = { name: '', bpm: 108, low: '............', high: 'X...x...x...', lead: 0 }
    const { meter, also } = findTempo([outlineOf([playRhythm(waltz)])])!
    expect(meter).toMatchObject({ beats: 3, unit: 4 })
    expect(also).toContainEqual({ bpm: 108, meter: expect.objectContaining({ beats: 4, unit: 4 }) })
  })

  it('counts no eighths faster than anybody can', () => {
    // three strokes for each of 134 beats a minute: two of those are one beat of a slow song
    const { bpm, also } = findTempo([
      outlineOf([playRhythm({ name: '', bpm: 100.5, low: 'X..X..', high: 'xxxxxx', lead: 0 })]),
    ])!
    expect([bpm, also.at(-1)!.bpm]).toEqual([67, 134])
  })

  it('hears swing, and offers it as 6/8 too', () => {
    // beats of three parts, of which the middle one is left out
    const found = findTempo([
      outlineOf([playRhythm({ name: '', bpm: 90, low: 'X.....X.....', high: 'x...x.x...x.', lead: 0 })]),
    ])!
    expect(found.meter.swing + found.also.filter((a) => a.meter.unit === 8).length).toBeGreaterThan(0.5)
  })

  it('finds where bars begin', () => {
    for (const name of ['half time', 'pushed', 'backbeat']) {
      const rhythm = RHYTHMS.find((r) => r.name === name)!
      const { downbeat, bpm } = findTempo([outlineOf([playRhythm(rhythm)])])!
      const bar = 240 / bpm
      const off = (downbeat - rhythm.lead + bar * 1.5) % bar
      expect(Math.abs(off - bar / 2), name).toBeLessThan(0.03)
    }
  })

  it('is unsure of noise, and has nothing to say of silence or of a moment', () => {
    let seed = 3
    const noise = new Int16Array(10 * SAMPLE_RATE).map(() => {
      seed = (seed * 16_807) % 2_147_483_647
      return (seed % 20_000) - 10_000
    })
    const steady = findTempo([outlineOf([playRhythm(RHYTHMS[0]!, 10)])])!
    expect(findTempo([outlineOf([noise])])?.confidence ?? 0).toBeLessThan(steady.confidence)
    expect(findTempo([outlineOf([new Int16Array(10 * SAMPLE_RATE)])])).toBeNull()
    expect(findTempo([outlineOf([new Int16Array(SAMPLE_RATE)])])).toBeNull()
    expect(findTempo([])).toBeNull()
  })
})

describe('proposeSections', () => {
  const BAR = 2
  const track = (levels: readonly number[]) => ({
    flux: new Float32Array(0),
    thump: new Float32Array(0),
    level: new Float32Array(levels.length * BAR * 100).map((_, i) => levels[Math.floor(i / (BAR * 100))]!),
  })
  const bars = Array.from({ length: 25 }, (_, i) => i * BAR)
  const stretch = (...parts: [number, number][]) =>
    parts.flatMap(([count, level]) => Array<number>(count).fill(level))

  it('finds where tracks come in and leave', () => {
    const tune = track(stretch([8, 0], [8, 0.02], [8, 0.02]))
    const drums = track(stretch([16, 0], [8, 0.05]))
    const pad = track(stretch([24, 0.01]))
    expect(proposeSections([tune, drums, pad], bars)).toEqual([0, 8, 16])
  })

  it('divides what is longer than a third of the song where the sound changes, if only a little', () => {
    const steady = track(stretch([24, 0.02]))
    const softer = track(stretch([8, 0.01], [8, 0.014], [8, 0.01]))
    expect(proposeSections([steady, softer], bars)).toContain(0)
    const found = [...proposeSections([steady, softer, track(stretch([16, 0.001], [8, 0.003]))], bars), 24]
    for (let i = 1; i < found.length; i++) expect(found[i]! - found[i - 1]!).toBeLessThanOrEqual(16)
    expect(found.length).toBeGreaterThan(2)
  })

  it('proposes nothing where nothing changes, or for a few bars', () => {
    expect(proposeSections([track(stretch([24, 0.01]))], bars)).toEqual([0])
    expect(proposeSections([track(stretch([4, 0], [2, 0.1]))], bars.slice(0, 7))).toEqual([0])
  })
})

describe('roughBalance', () => {
  it('puts the lead in front, whatever the recordings are like, and stays on the fader', () => {
    const tracks = [
      { id: 'tune', role: 'lead' },
      { id: 'bass', role: 'bass' },
      { id: 'pad', role: 'texture' },
      { id: 'mute', role: 'chords' },
    ] as const
    const loudness = { tune: -30, bass: -12, pad: -60, mute: null }
    const levels = roughBalance(tracks, loudness)
    expect(levels).toEqual({ tune: 6, bass: -15, pad: 6, mute: 0 })
    const even = roughBalance(tracks, { tune: -20, bass: -20, pad: -20, mute: -20 })
    expect(even['tune']!).toBeGreaterThan(even['bass']!)
    expect(even['bass']!).toBeGreaterThan(even['mute']!)
  })
})
