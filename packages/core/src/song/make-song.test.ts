import { describe, expect, it } from 'vitest'
import { checkSong } from '../validate'
import { MeterMap, SAMPLE_RATE, TempoMap } from '../time'
import {
  downbeatOf,
  letterOf,
  metersByBar,
  roleByName,
  sectionsAt,
  songOfStems,
  startsTogether,
  withMeters,
  withTiming,
  type Stem,
} from '.'

let n = 0
const freshId = () => `id-${++n}`
const stem = (name: string, seconds: number): Stem => ({
  name,
  role: roleByName(name),
  asset: name
    .padEnd(64, '0')
    .replace(/[^0-9a-f]/g, 'a')
    .slice(0, 64),
  channels: 1,
  frames: Math.round(seconds * SAMPLE_RATE),
})
const song = () => songOfStems('New', [stem('bass', 20), stem('drums', 21.5)], freshId)

describe('a song of stems', () => {
  it('is a song, as long as its longest recording in whole bars', () => {
    const made = song()
    expect(checkSong(made)).toMatchObject({ ok: true })
    expect(made.length).toBe(11 * 3840)
    expect(startsTogether(made)).toBe(true)
  })

  it.each([
    [96, 4, 0],
    [96, 4, 0.37],
    [132.5, 3, 2.9],
    [74, 4, 11],
  ])(
    'at %d in %d puts the downbeat at %d s on a bar line, and keeps what is before',
    (bpm, beats, downbeat) => {
      const timing = {
        tempo: [{ tick: 0, bpm, form: 'hold' as const }],
        meter: [{ tick: 0, beats, unit: 4 as const }],
        downbeat,
      }
      const made = withTiming(song(), timing)
      expect(checkSong(made)).toMatchObject({ ok: true })
      const { start, offset } = made.regions[0]!
      const time = new TempoMap(made.tempo)
      const place = time.tickAt(time.secondsAt(start) + downbeat)
      const bar = beats * 960
      expect(Math.abs(place / bar - Math.round(place / bar)) * bar).toBeLessThan(2)
      expect(offset).toBe(0)
      expect(downbeatOf(made)).toBeCloseTo(downbeat % ((beats * 60) / bpm), 2)
      const end = time.secondsAt(start) + 21.5
      expect(time.secondsAt(made.length)).toBeGreaterThanOrEqual(end - 1e-6)
    },
  )

  it('keeps sections at their bars, and letters them in order', () => {
    const made = song()
    const sections = sectionsAt(
      made,
      [
        { bar: 5, name: 'Tune' },
        { bar: 3, name: '' },
        { bar: 5, name: 'Twice' },
        { bar: 99, name: '' },
      ],
      freshId,
    )
    const meter = new MeterMap(made.meter)
    expect(sections.map((s) => [s.letter, s.name, meter.placeAt(s.tick).bar])).toEqual([
      ['A', '', 1],
      ['B', '', 3],
      ['C', 'Tune', 5],
    ])
    const waltz = withTiming(
      { ...made, sections },
      { tempo: made.tempo, meter: [{ tick: 0, beats: 3, unit: 4 }], downbeat: 0 },
    )
    expect(waltz.sections.map((s) => new MeterMap(waltz.meter).placeAt(s.tick).bar)).toEqual([1, 3, 5])
    expect([letterOf(0), letterOf(25), letterOf(26), letterOf(53)]).toEqual(['A', 'Z', 'AA', 'BB'])
  })

  it('guesses roles from names', () => {
    expect(['Kick in', 'Sub bass', 'Bassoon', 'Lead vox', 'Pad 2', 'Organ'].map(roleByName)).toEqual([
      'drums',
      'bass',
      'chords',
      'voice',
      'texture',
      'chords',
    ])
  })
})

describe('time signatures along a song', () => {
  const four = { bar: 1, beats: 4, unit: 4 } as const
  const three = { bar: 5, beats: 3, unit: 4 } as const

  it('begin at their bars, in whichever order they are given', () => {
    const made = withMeters(song(), [three, four])
    expect(metersByBar(made)).toEqual([four, three])
    expect(made.meter[1]!.tick).toBe(4 * 3840)
    expect(checkSong(made)).toMatchObject({ ok: true })
  })

  it('move with the bars before them, and so do sections and changes of tempo', () => {
    const tempo = [
      { tick: 0, bpm: 120, form: 'hold' as const },
      { tick: 5 * 3840 + 960, bpm: 90, form: 'hold' as const },
    ]
    const plain = withTiming(song(), { tempo, meter: song().meter, downbeat: 0.5 })
    const first = withMeters({ ...plain, sections: sectionsAt(plain, [{ bar: 5, name: 'B' }], freshId) }, [
      four,
      three,
    ])
    const made = withMeters(first, [{ bar: 1, beats: 7, unit: 8 }, three])
    const bars = new MeterMap(made.meter)
    expect(metersByBar(made)).toEqual([{ bar: 1, beats: 7, unit: 8 }, three])
    expect(bars.placeAt(made.sections[1]!.tick)).toEqual({ bar: 5, beat: 1, tick: 0 })
    expect(bars.placeAt(made.tempo[1]!.tick)).toEqual({ bar: 6, beat: 2, tick: 0 })
    expect(downbeatOf(made)).toBeCloseTo(0.5, 2)
    expect(checkSong(made)).toMatchObject({ ok: true })
  })

  it('of two at one bar the later counts, and two changes of tempo in a shortened bar stay apart or become one', () => {
    const tempo = [0, 2880, 3400].map((tick, i) => ({ tick, bpm: 100 + i, form: 'hold' as const }))
    const made = withMeters(withTiming(song(), { tempo, meter: song().meter, downbeat: 0 }), [
      four,
      { ...four, beats: 2 },
    ])
    expect(made.meter).toEqual([{ tick: 0, beats: 2, unit: 4 }])
    expect(made.tempo.map((t) => t.tick)).toEqual([0, 1919])
  })
})
