import { describe, expect, it } from 'vitest'
import { checkSong } from '../validate'
import { MeterMap, SAMPLE_RATE, TempoMap } from '../time'
import {
  downbeatOf,
  letterOf,
  roleByName,
  sectionsAt,
  songOfStems,
  startsTogether,
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
