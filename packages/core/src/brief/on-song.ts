import { kindOf, type Check, type FieldValue } from '../checks'
import { plainMix, resolve, TEMPO, type Address, type Mix } from '../mix'
import { songTime, type SongVersion } from '../song'
import { plainName } from '../song'
import type { Brief, BriefTask } from './brief'

/** What is otherwise when a brief goes to another song: to be looked at before it is given out. */
export type BriefDifference =
  /** A track is now another one. */
  | { readonly kind: 'track'; readonly from: string; readonly to: string }
  /** A track has no counterpart. */
  | { readonly kind: 'no-track'; readonly from: string }
  /** A section is now another one. */
  | { readonly kind: 'section'; readonly from: string; readonly to: string }
  /** A task lies on other bars. */
  | { readonly kind: 'bars'; readonly task: string; readonly from: BarSpan; readonly to: BarSpan }
  /** A task or one of its checks was about something that is not there. */
  | { readonly kind: 'left-out'; readonly task: string }
  /** The words of a task name bars or tracks of the song before. */
  | { readonly kind: 'words'; readonly task: string }

/** Bars, both included. */
export type BarSpan = readonly [first: number, last: number]

/** A brief on another song. */
export interface BriefOnSong {
  readonly brief: Brief
  readonly startingMix: Mix
  readonly differences: readonly BriefDifference[]
}

type Track = SongVersion['tracks'][number]

/** Which track stands for which: by its name, else by its role, each at most once. */
export function matchTracks(from: SongVersion, to: SongVersion): ReadonlyMap<string, Track> {
  const free = [...to.tracks]
  const found = new Map<string, Track>()
  const take = (track: Track, fits: (other: Track) => boolean) => {
    const i = found.has(track.id) ? -1 : free.findIndex(fits)
    if (i >= 0) found.set(track.id, free.splice(i, 1)[0]!)
  }
  for (const track of from.tracks) take(track, (o) => plainName(o.name) === plainName(track.name))
  for (const track of from.tracks) take(track, (o) => o.role === track.role)
  return found
}

/** Sections with where they begin and end, and what they are called. */
function stretchesOf({ sections, length }: SongVersion) {
  const all = sections.length ? sections : [{ id: 'all', letter: 'A', name: '', tick: 0 }]
  return all.map((s, i) => ({
    name: s.name || s.letter,
    letter: s.letter,
    from: i === 0 ? 0 : s.tick,
    to: all[i + 1]?.tick ?? length,
  }))
}

/** Where a place of one song lies in another: in the section that stands for its own, at the same bar and beat of it as far as there are so many. */
function placesOf(
  from: SongVersion,
  to: SongVersion,
): { at(tick: number): number; sections: BriefDifference[] } {
  const [here, there] = [stretchesOf(from), stretchesOf(to)]
  const [meterFrom, meterTo] = [songTime(from).meter, songTime(to).meter]
  const counterpart = here.map((s, i) => {
    const same =
      there.find((o) => plainName(o.name) === plainName(s.name)) ?? there.find((o) => o.letter === s.letter)
    return (
      same ??
      there[Math.min(there.length - 1, Math.round((i * (there.length - 1)) / Math.max(1, here.length - 1)))]!
    )
  })
  const at = (tick: number): number => {
    if (tick >= from.length) return to.length
    const i = Math.max(
      0,
      here.findLastIndex((s) => tick >= s.from),
    )
    const [a, b] = [here[i]!, counterpart[i]!]
    const bars = (meter: typeof meterFrom, s: { from: number; to: number }) =>
      Math.max(1, meter.placeAt(Math.max(s.from, s.to - 1)).bar - meter.placeAt(s.from).bar + 1)
    const [barsHere, barsThere] = [bars(meterFrom, a), bars(meterTo, b)]
    const bar = meterFrom.placeAt(tick).bar - meterFrom.placeAt(a.from).bar
    // the last bars of a section stay its last bars: what arrives at its end still does
    const shift = bar * 2 >= barsHere ? barsThere - barsHere : 0
    const own = Math.min(barsThere - 1, Math.max(0, bar + shift))
    const begin = meterTo.barStart(meterTo.placeAt(b.from).bar + own)
    const into = (tick - meterFrom.barStart(meterFrom.placeAt(tick).bar)) / meterFrom.lengthsAt(tick).bar
    const beat = meterTo.lengthsAt(begin).beat
    return Math.min(to.length, begin + Math.round((into * meterTo.lengthsAt(begin).bar) / beat) * beat)
  }
  const sections = here.flatMap((s, i): BriefDifference[] =>
    plainName(s.name) === plainName(counterpart[i]!.name)
      ? []
      : [{ kind: 'section', from: s.name, to: counterpart[i]!.name }],
  )
  return { at, sections }
}

/** Words that are about bars of one song alone. */
const NAMES_BARS = /\bbars?\s+\d|\bsection\s+[A-Z]\b/i

/**
 * Puts a brief on another song: tracks are matched by name and role, places by section and bar, what hangs on a track goes with it.
 * What has no counterpart is left out; everything that is otherwise is told.
 * @param start the starting mix of the song before
 */
export function briefOnSong(brief: Brief, start: Mix, from: SongVersion, to: SongVersion): BriefOnSong {
  const tracks = matchTracks(from, to)
  const { at, sections } = placesOf(from, to)
  const startingMix = mixOnSong(start, to, tracks)
  const lane = (address: Address): Address | null => {
    // the tempo belongs to no mix: every song has one
    if (address === TEMPO) return address
    const [owner, id = '', ...rest] = address.split('/')
    const moved = owner === 'track' ? [owner, tracks.get(id)?.id ?? '', ...rest].join('/') : address
    return resolve(startingMix, moved) ? moved : null
  }
  const differences: BriefDifference[] = [...tracksOtherwise(from, tracks), ...sections]
  const [meterFrom, meterTo] = [songTime(from).meter, songTime(to).meter]
  const names = from.tracks.filter((t) => tracks.get(t.id)?.name !== t.name).map((t) => t.name.toLowerCase())

  const task = (one: BriefTask): BriefTask => {
    const [begins, ends] = [at(one.from), Math.max(at(one.from) + 1, at(one.to))]
    const span = (meter: typeof meterFrom, a: number, b: number): BarSpan => [
      meter.placeAt(a).bar,
      meter.placeAt(Math.max(a, b - 1)).bar,
    ]
    const [was, is] = [span(meterFrom, one.from, one.to), span(meterTo, begins, ends)]
    if (was[0] !== is[0] || was[1] !== is[1])
      differences.push({ kind: 'bars', task: one.title, from: was, to: is })
    const lanes = one.lanes.flatMap((l) => lane(l) ?? [])
    const checks = one.checks.flatMap((c) => checkOnSong(c, { at, lane, tracks }) ?? [])
    if (lanes.length < one.lanes.length || checks.length < one.checks.length)
      differences.push({ kind: 'left-out', task: one.title })
    const text = `${one.title} ${one.text} ${one.hints.join(' ')}`
    if (NAMES_BARS.test(text) || names.some((name) => text.toLowerCase().includes(name)))
      differences.push({ kind: 'words', task: one.title })
    return { ...one, from: begins, to: ends, lanes, checks }
  }
  const tasks = brief.tasks.map(task)
  return {
    brief: { ...brief, open: brief.open.flatMap((l) => lane(l) ?? []), tasks },
    startingMix,
    differences,
  }
}

function tracksOtherwise(from: SongVersion, tracks: ReadonlyMap<string, Track>): BriefDifference[] {
  return from.tracks.flatMap((t): BriefDifference[] => {
    const other = tracks.get(t.id)
    if (!other) return [{ kind: 'no-track', from: t.name }]
    return other.name === t.name ? [] : [{ kind: 'track', from: t.name, to: other.name }]
  })
}

/** A check with its lanes, tracks and places in the other song; null where one of them is not there. */
function checkOnSong(
  check: Check,
  by: {
    readonly at: (tick: number) => number
    readonly lane: (address: Address) => Address | null
    readonly tracks: ReadonlyMap<string, Track>
  },
): Check | null {
  const values: Record<string, FieldValue> = { ...check.values }
  for (const [name, field] of Object.entries(kindOf(check.kind).fields)) {
    const value = values[name]
    if (value === undefined) continue
    const moved: FieldValue | null =
      field.type === 'place'
        ? by.at(Number(value))
        : field.type === 'lane'
          ? by.lane(String(value))
          : field.type === 'track'
            ? (by.tracks.get(String(value))?.id ?? null)
            : field.type === 'lanes' && Array.isArray(value)
              ? value.flatMap((l: string) => by.lane(l) ?? [])
              : value
    if (moved === null) return null
    values[name] = moved
  }
  return { ...check, values }
}

/** The starting mix of the other song: with the returns, and with faders, effects and sends of the tracks that stand for each other. */
function mixOnSong(start: Mix, to: SongVersion, tracks: ReadonlyMap<string, Track>): Mix {
  const plain = plainMix(to)
  const before = new Map(
    [...tracks].map(([id, track]) => [track.id, start.tracks.find((t) => t.id === id)] as const),
  )
  const mix: Mix = {
    ...plain,
    returns: start.returns,
    tracks: plain.tracks.map((t) => {
      const was = before.get(t.id)
      if (!was) return t
      const { gain, effects, mute, sends, level, pan, width } = was
      return { ...t, gain, effects, mute, sends, level, pan, width }
    }),
  }
  const moved = (address: Address) => {
    const [owner, id = '', ...rest] = address.split('/')
    return owner === 'track' ? [owner, tracks.get(id)?.id ?? '', ...rest].join('/') : address
  }
  // lanes are there as they were; lines of the song before mean nothing on another one
  const envelopes = start.envelopes
    .map((e) => ({ ...e, address: moved(e.address), points: [] }))
    .filter(
      (e, i, all) =>
        (e.address === TEMPO || resolve(mix, e.address)) &&
        all.findIndex((o) => o.address === e.address) === i,
    )
  return { ...mix, envelopes }
}
