import { MeterMap, SAMPLE_RATE, TempoMap, type MeterChange, type TempoChange } from '../time'
import type { Role, Section, SongVersion } from './song'

/** A recording that becomes a track. */
export interface Stem {
  readonly name: string
  readonly role: Role
  readonly asset: string
  readonly channels: 1 | 2
  /** Samples of one channel. */
  readonly frames: number
}

/** How the time of recordings is read. */
export interface Timing {
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
  /** Where in the recordings the first beat of a bar is, in seconds. */
  readonly downbeat: number
}

export const PLAIN_TIMING: Timing = {
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  downbeat: 0,
}

/** A song of recordings that start together, at 120 in four, with one section. */
export function songOfStems(title: string, stems: readonly Stem[], freshId: () => string): SongVersion {
  const tracks = stems.map((s) => ({ id: freshId(), name: s.name, role: s.role, channels: s.channels }))
  const known = new Map(stems.map((s) => [s.asset, { id: s.asset, channels: s.channels, frames: s.frames }]))
  return withTiming(
    {
      format: 'rudlo-song',
      version: 1,
      title,
      length: 1,
      tempo: PLAIN_TIMING.tempo,
      meter: PLAIN_TIMING.meter,
      sections: [{ id: freshId(), letter: 'A', name: 'All', tick: 0 }],
      tracks,
      regions: stems.map((s, i) => ({
        id: freshId(),
        track: tracks[i]!.id,
        asset: s.asset,
        start: 0,
        offset: 0,
        length: s.frames,
      })),
      assets: [...known.values()],
    },
    PLAIN_TIMING,
  )
}

/**
 * Reads the recordings by another tempo, other bars or another first downbeat. What comes before the first downbeat is
 * kept: it lies in the bars before, so that the downbeat falls on a bar line. Sections stay at their bars.
 */
export function withTiming(song: SongVersion, { tempo, meter, downbeat }: Timing): SongVersion {
  const time = new TempoMap(tempo)
  const bars = new MeterMap(meter)
  const bar = bars.barStart(2)
  const lead = downbeat > 0.005 ? time.tickAt(downbeat) : 0
  const start = lead > 0 ? Math.round(Math.ceil(lead / bar - 1e-9) * bar - lead) : 0
  const longest = Math.max(1, ...song.regions.map((r) => r.length))
  const end = time.tickAt(time.secondsAt(start) + longest / SAMPLE_RATE)
  const last = bars.placeAt(Math.max(0, Math.ceil(end) - 1)).bar
  const before = new MeterMap(song.meter)
  return {
    ...song,
    tempo,
    meter,
    length: bars.barStart(last + 1),
    regions: song.regions.map((r) => ({ ...r, start })),
    sections: song.sections
      .map((s) => ({ ...s, tick: bars.barStart(before.placeAt(s.tick).bar) }))
      .filter((s, i) => i === 0 || s.tick < bars.barStart(last + 1)),
  }
}

/** A time signature from a bar on, as musicians say it. */
export interface MeterAtBar extends Omit<MeterChange, 'tick'> {
  /** From 1. */
  readonly bar: number
}

/** The time signatures of a song by the bars at which they begin. */
export function metersByBar({ meter }: SongVersion): MeterAtBar[] {
  const bars = new MeterMap(meter)
  return meter.map(({ tick, beats, unit }) => ({ bar: bars.placeAt(tick).bar, beats, unit }))
}

/**
 * Reads the recordings of a song in other bars. Sections and changes of tempo stay in the bars that they are in.
 * @param list the first from bar 1 on; of two at the same bar the later one counts
 */
export function withMeters(song: SongVersion, list: readonly MeterAtBar[]): SongVersion {
  const byBar = new Map(list.map((m) => [m.bar, m]))
  const meter: MeterChange[] = []
  for (const { bar, beats, unit } of [...byBar.values()].sort((a, b) => a.bar - b.bar)) {
    meter.push({ tick: meter.length ? new MeterMap(meter).barStart(bar) : 0, beats, unit })
  }
  const before = new MeterMap(song.meter)
  const after = new MeterMap(meter)
  const tempo = song.tempo
    .map((t) => {
      const start = before.barStart(before.placeAt(t.tick).bar)
      const moved = after.barStart(before.placeAt(t.tick).bar)
      return { ...t, tick: moved + Math.min(t.tick - start, after.lengthsAt(moved).bar - 1) }
    })
    .filter((t, i, all) => i === 0 || t.tick > all[i - 1]!.tick)
  return withTiming(song, { tempo, meter, downbeat: downbeatOf(song) })
}

/** Whether all recordings of a song start together, as stems do: only then its timing can be read anew. */
export const startsTogether = ({ regions }: SongVersion): boolean =>
  regions.length > 0 && regions.every((r) => r.start === regions[0]!.start && r.offset === regions[0]!.offset)

/** Where the first downbeat of a song of stems is in its recordings, in seconds. */
export function downbeatOf({ regions, tempo, meter }: SongVersion): number {
  const start = regions[0]?.start ?? 0
  if (start === 0) return 0
  const bars = new MeterMap(meter)
  const next = bars.barStart(bars.placeAt(start).bar + 1)
  const time = new TempoMap(tempo)
  return time.secondsAt(next) - time.secondsAt(start)
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ'

/** The rehearsal letter of the section `index`, from 0: after Z come AA, AB. */
export const letterOf = (index: number): string =>
  index < 26 ? LETTERS[index]! : `${LETTERS[Math.floor(index / 26) - 1] ?? 'Z'}${LETTERS[index % 26]!}`

/** Sections at bars, in order, lettered anew; names are kept where they are given. */
export function sectionsAt(
  song: SongVersion,
  bars: readonly { readonly bar: number; readonly name: string }[],
  freshId: () => string,
): Section[] {
  const meter = new MeterMap(song.meter)
  const sorted = [...bars].sort((a, b) => a.bar - b.bar)
  const first = sorted[0]?.bar === 1 ? [] : [{ bar: 1, name: '' }]
  return [...first, ...sorted]
    .filter((s, i, all) => s.bar >= 1 && (i === 0 || s.bar !== all[i - 1]!.bar))
    .map((s) => ({ ...s, tick: meter.barStart(s.bar) }))
    .filter((s) => s.tick < song.length)
    .map(({ name, tick }, i) => ({ id: freshId(), letter: letterOf(i), name, tick }))
}

/** A role that a name speaks for; chords where it says nothing. */
export function roleByName(name: string): Role {
  const words = name.toLowerCase()
  const known: readonly (readonly [Role, RegExp])[] = [
    ['drums', /drum|kick|snare|hat|cymbal|tom|perc|brush|shaker|conga|clap/],
    ['bass', /bass(?!oon)|sub/],
    ['voice', /voice|vox|vocal|sing|choir|hum/],
    ['lead', /lead|solo|melod|tune|whistle|fife|flute|violin|fiddle|trumpet|sax/],
    ['effect', /fx|effect|riser|noise|hit/],
    ['texture', /pad|string|atmos|ambien|drone|wave|tide|rain/],
  ]
  return known.find(([, pattern]) => pattern.test(words))?.[0] ?? 'chords'
}
