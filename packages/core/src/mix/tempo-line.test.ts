import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { EditRefused, point } from '../envelope'
import type { SongVersion } from '../song'
import { SAMPLE_RATE, TempoMap, type TempoChange } from '../time'
import { checkMix } from '../validate'
import {
  askedTempo,
  followsTempo,
  inTempo,
  plainMix,
  recordedTracks,
  resolve,
  soundingOf,
  TEMPO,
  tempoChanges,
  tempoLine,
  withPoints,
  withTempoLine,
} from '.'

const BAR = 3840
const LENGTH = 8 * BAR
const ASSET = 'a'.repeat(64)
const tempo: readonly TempoChange[] = [
  { tick: 0, bpm: 120, form: 'hold' },
  { tick: 4 * BAR, bpm: 120, form: 'ramp' },
  { tick: 6 * BAR, bpm: 90, form: 'hold' },
]
const seconds = (changes: readonly TempoChange[], tick: number) => new TempoMap(changes).secondsAt(tick)
const frames = Math.round(seconds(tempo, LENGTH) * SAMPLE_RATE)
const part = { player: 'harp', freedom: 0, peak: 0.5, seed: 7, notes: [[0, 1, 60, 0.8]] } as const

const song: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'Slow water',
  length: LENGTH,
  tempo,
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [{ id: 'harp', name: 'Harp', role: 'chords', channels: 1, part }],
  regions: [{ id: 'r', track: 'harp', asset: ASSET, start: 0, offset: 0, length: frames }],
  assets: [{ id: ASSET, channels: 1, frames }],
}
const start = withTempoLine(plainMix(song), song, 'line')
const drawn = (...points: Parameters<typeof withPoints>[2]) => withPoints(start, TEMPO, points, () => 'x')

describe('the tempo as a line', () => {
  it('is the song’s own when it is opened, and nothing sounds otherwise', () => {
    expect(tempoChanges(tempoLine(song))).toEqual(tempo)
    expect(askedTempo(song, start)).toBeNull()
    expect(soundingOf(song, start)).toEqual({ song, mix: start, anew: null })
    expect(withTempoLine(start, song, 'other')).toBe(start)
    expect(checkMix(start, song).ok).toBe(true)
  })

  it('is a lane of a mix that has it, and of no other', () => {
    expect(resolve(plainMix(song), TEMPO)).toBeNull()
    expect(resolve(start, TEMPO)).toMatchObject({ setting: 120, owner: null })
  })

  it('keeps its last point: a song needs a tempo', () => {
    expect(() => withPoints(start, TEMPO, [], () => 'x')).toThrow(EditRefused)
    const empty = { ...start, envelopes: start.envelopes.map((e) => ({ ...e, points: [] })) }
    expect(checkMix(empty, song).ok).toBe(false)
  })

  it('goes where the line goes: held, in ramps, along bends', () => {
    const changes = tempoChanges([
      point(BAR, 100, 'jump'),
      point(2 * BAR, 60),
      point(4 * BAR, 180, 'curve', 4),
      point(6 * BAR, 60),
    ])
    const map = new TempoMap(changes)
    expect([0, BAR, 2 * BAR - 1, 2 * BAR, 3 * BAR, 7 * BAR].map((t) => Math.round(map.bpmAt(t)))).toEqual([
      100, 100, 100, 60, 120, 60,
    ])
    // a late curve is still near where it began at its middle
    expect(map.bpmAt(5 * BAR)).toBeGreaterThan(150)
  })

  it('is always a tempo that can be counted by, whatever is drawn', () => {
    const spot = fc.record({
      tick: fc.integer({ min: 0, max: LENGTH }),
      value: fc.double({ min: 40, max: 200, noNaN: true }),
      form: fc.constantFrom('straight' as const, 'jump' as const, 'curve' as const, 's' as const),
    })
    const lines = fc.uniqueArray(spot, { selector: (p) => p.tick, minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(lines, (spots) => {
        const points = [...spots]
          .sort((a, b) => a.tick - b.tick)
          .map((p) => point(p.tick, p.value, p.form, 3))
        const map = new TempoMap(tempoChanges(points))
        for (let tick = 0; tick <= LENGTH; tick += BAR) {
          expect(map.bpmAt(tick)).toBeGreaterThanOrEqual(39.9)
          expect(map.bpmAt(tick)).toBeLessThanOrEqual(200.1)
          expect(map.tickAt(map.secondsAt(tick))).toBeCloseTo(tick, 3)
        }
      }),
    )
  })
})

describe('a song in another tempo', () => {
  it('is as long as that tempo makes it, and its regions begin and end at the same places of the music', () => {
    const mix = drawn(point(0, 60))
    const asked = askedTempo(song, mix)!
    expect(asked).toEqual([{ tick: 0, bpm: 60, form: 'hold' }])
    const cut = {
      ...mix,
      tracks: mix.tracks.map((t) => ({
        ...t,
        regions: [
          {
            ...t.regions[0]!,
            start: 2 * BAR,
            offset: Math.round(seconds(tempo, 2 * BAR) * SAMPLE_RATE),
            length: 88_200,
            fadeIn: 4410,
            fadeOut: 0,
          },
        ],
      })),
    }
    const made = inTempo(song, cut, asked)
    expect(made.song.assets[0]!.frames).toBe(Math.round(seconds(asked, LENGTH) * SAMPLE_RATE))
    const [region] = made.mix.tracks[0]!.regions
    expect(region).toMatchObject({
      start: 2 * BAR,
      offset: 2 * BAR * (60 / 960 / 60) * SAMPLE_RATE,
      fadeIn: 8820,
    })
    expect(region!.length).toBe(176_400)
    expect(checkMix(made.mix, made.song).ok).toBe(true)
  })

  it('is asked for by a line that is on; recordings keep their tempo, and say whose they are', () => {
    const mix = drawn(point(0, 60))
    const off = { ...mix, envelopes: mix.envelopes.map((e) => ({ ...e, on: false })) }
    expect(askedTempo(song, off)).toBeNull()
    const recorded = {
      ...song,
      tracks: song.tracks.map(({ id, name, role, channels }) => ({ id, name, role, channels })),
    }
    expect([followsTempo(song), followsTempo(recorded)]).toEqual([true, false])
    expect(recordedTracks(recorded).map((t) => t.name)).toEqual(['Harp'])
    expect(soundingOf(recorded, mix).anew).toBeNull()
  })
})
