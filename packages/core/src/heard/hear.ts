import { BLOCK, compileMix, Engine, type AudioStore } from '../engine'
import { dbfs } from '../loudness'
import type { Mix } from '../mix'
import { TempoMap } from '../time'
import type { SongVersion } from '../song'
import { hasReturnsAlone, programOf, returnsOf } from './apart'
import { RecentParts, type HeardCache } from './cache'
import { entriesOf, onsetsOf } from './entries'
import { stillKey, trackKey, wholeKey } from './keys'
import { HOPS, hopsIn, type Part, type Seconds } from './part'
import { HOP, HOPS_AT_ONCE, Piece, TrackPiece } from './piece'
import { keptBands, SectionLooks, sectionPlaces, type KeptBands, type SectionPlaces } from './section-looks'

/** A mix and its tracks, measured. */
export interface HeardTracks {
  readonly hops: number
  readonly mix: Part
  /** Highest true peak in each hop, dBTP; −Infinity for silence. */
  readonly peaks: Float64Array
  /** Every track with its share of the returns. */
  readonly tracks: Readonly<Record<string, Part>>
  /** The share of the returns alone, of every track that sends. */
  readonly shares: Readonly<Record<string, Part>>
}

/** Everything that is measured of the sound of a mix. */
export interface Heard extends HeardTracks {
  /** The mix with its lines off. */
  readonly still: Part
  /** Ticks at which each track begins to play after it was silent. */
  readonly entries: Readonly<Record<string, readonly number[]>>
  /** Ticks at which notes of each track begin; missing where it is not known. */
  readonly onsets?: Readonly<Record<string, readonly number[]>>
}

/** Something to be played from start to end, with what is to be measured of it. */
interface Listening {
  readonly engine: Engine
  readonly whole: Piece | null
  readonly tracks: readonly TrackPiece[]
}

/** What is measured of a mix beside what checks look at. */
interface HearOptions {
  /** Told the share done, 0…1; returns false to stop. */
  readonly onProgress?: ((share: number) => boolean) | undefined
  /**
   * Whether tracks that are played are looked at in the critical bands as well, for the picture of the balance: they need not be
   * played again for it then.
   */
  readonly bands?: boolean | undefined
}

/**
 * Renders a mix and its parts and measures them. The mix is played once; what is wanted of single tracks is tapped while
 * it plays. Only a track that shares a return with others plays once more, for its own share of it.
 * @param cache of parts measured before, for songs of this audio
 * @returns null where it was stopped
 */
export function hear(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  cache: HeardCache = new RecentParts(),
  { onProgress = () => true, bands }: HearOptions = {},
): Heard | null {
  const heard = hearTracks(song, mix, audio, cache, {
    onProgress: (share) => onProgress(share * STILL_FROM),
    bands,
  })
  const still =
    heard &&
    hearStill(song, mix, audio, {
      cache,
      onProgress: (share) => onProgress(STILL_FROM + share * (1 - STILL_FROM)),
    })
  if (!heard || !still) return null
  return { ...heard, still, entries: entriesOf(song, mix, audio), onsets: onsetsOf(song, mix, audio) }
}

/** Where the progress is when only the mix without its lines is missing. */
const STILL_FROM = 0.7

/** A mix and its tracks, rendered and measured. As {@link hear}, without what checks want besides. */
export function hearTracks(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  cache: HeardCache = new RecentParts(),
  { onProgress = () => true, bands = false }: HearOptions = {},
): HeardTracks | null {
  const hops = hopsOf(song)
  const program = compileMix(song, mix)
  const ids = program.tracks.map((t) => t.id)
  const keyOf = {
    whole: wholeKey(song, mix),
    own: new Map(ids.map((id) => [id, trackKey(song, mix, id)])),
    share: (id: string) => `share ${keyOf.own.get(id)!}`,
  }
  const sends = ids.filter((id) => returnsOf(mix, id).size > 0)
  const parts = new Map<string, Part>()
  for (const key of [keyOf.whole, ...keyOf.own.values(), ...sends.map(keyOf.share)]) {
    const known = cache.get(key)
    if (known) parts.set(key, known)
  }
  const keep = (key: string, part: Part) => {
    parts.set(key, part)
    cache.set(key, part)
  }

  const missing = ids.filter(
    (id) => !parts.has(keyOf.own.get(id)!) || (sends.includes(id) && !parts.has(keyOf.share(id))),
  )
  const inTheMix = missing.filter((id) => hasReturnsAlone(mix, id))
  const places = bands ? sectionPlaces(song) : null
  const tapped = (engine: Engine, id: string) => tap(engine, id, hops, returnsOf(mix, id), places)
  const jobs: (() => Listening)[] = []
  if (!parts.has(keyOf.whole) || inTheMix.length)
    jobs.push(() => {
      const engine = new Engine(program, audio)
      const tracks = inTheMix.map((id) => tapped(engine, id))
      return { engine, whole: parts.has(keyOf.whole) ? null : new Piece(hops, true), tracks }
    })
  for (const id of missing.filter((track) => !inTheMix.includes(track)))
    jobs.push(() => {
      const engine = new Engine(programOf(program, id), audio)
      return { engine, whole: null, tracks: [tapped(engine, id)] }
    })

  const steps = Math.max(1, jobs.length * hops)
  let done = 0
  const go = (count: number) => onProgress((done += count) / steps)
  if (!jobs.length && !go(1)) return null
  for (const job of jobs) {
    const { engine, whole, tracks } = job()
    const through = listen(engine, hops, whole, tracks, go)
    whole?.dispose()
    for (const track of tracks) track.dispose()
    if (!through) return null
    if (whole) keep(keyOf.whole, { ...whole.part, peaks: whole.part.peaks!.map(dbfs) })
    for (const { id, own, share, looks } of tracks) {
      keep(keyOf.own.get(id)!, own.part)
      if (share) keep(keyOf.share(id), share.part)
      if (!looks) continue
      const track = mix.tracks.find((t) => t.id === id)!
      keepBands(cache, keptBands(song, mix, track, looks.places), looks)
    }
  }
  const whole = parts.get(keyOf.whole)!
  return {
    hops,
    mix: whole,
    peaks: whole.peaks!,
    tracks: Object.fromEntries(ids.map((id) => [id, parts.get(keyOf.own.get(id)!)!])),
    shares: Object.fromEntries(sends.map((id) => [id, parts.get(keyOf.share(id))!])),
  }
}

/**
 * What is heard of one track of a mix, with its share of the returns: played alone, or as it was measured before.
 * @param cache as for {@link hear}: what one of both measured the other does not play again
 * @returns null where it was stopped
 */
export function hearTrack(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  id: string,
  cache: HeardCache = new RecentParts(),
  onProgress: (share: number) => boolean = () => true,
): Part | null {
  const key = trackKey(song, mix, id)
  const known = cache.get(key)
  if (known) return known
  const hops = hopsOf(song)
  const engine = new Engine(programOf(compileMix(song, mix), id), audio)
  const track = tap(engine, id, hops, returnsOf(mix, id))
  let done = 0
  const through = listen(engine, hops, null, [track], (count) => onProgress((done += count) / hops))
  track.dispose()
  if (!through) return null
  cache.set(key, track.own.part)
  if (track.share) cache.set(`share ${key}`, track.share.part)
  return track.own.part
}

/** Which of a mix is played as one, and between which places of the song. */
interface WholeOptions {
  readonly cache?: HeardCache | undefined
  /** Told the share done, 0…1; returns false to stop. */
  readonly onProgress?: ((share: number) => boolean) | undefined
  /**
   * Only what is heard here is wanted: what comes before is played from as far back as most tails reach, and nothing is said of the
   * rest. The whole song, if missing.
   */
  readonly within?: Seconds | undefined
}

/** What is heard of a mix as one, without its tracks. @returns null where it was stopped */
export const hearWhole = (song: SongVersion, mix: Mix, audio: AudioStore, options: WholeOptions = {}) =>
  wholePart(song, mix, audio, { key: wholeKey(song, mix), moves: true }, options)

/** What is heard of a mix with its lines off. As {@link hearWhole}. */
export const hearStill = (song: SongVersion, mix: Mix, audio: AudioStore, options: WholeOptions = {}) =>
  wholePart(song, mix, audio, { key: stillKey(song, mix), moves: false }, options)

/** How far back tails are played that are still heard in a stretch, in seconds. */
const TAILS = 6

function wholePart(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  { key, moves }: { readonly key: string; readonly moves: boolean },
  { cache = new RecentParts(), onProgress = () => true, within }: WholeOptions,
): Part | null {
  const hops = hopsOf(song)
  const [first, last] = within ? hopsIn({ from: within.from - TAILS, to: within.to }, hops) : [0, hops]
  const here = within ? `${key} ${first} ${last}` : key
  const known = cache.get(key) ?? cache.get(here)
  if (known) return known
  const whole = new Piece(hops, true)
  let done = 0
  const engine = new Engine(compileMix(song, mix), audio)
  engine.moves = moves
  const go = (count: number) => onProgress((done += count) / (last - first))
  const through = listen(engine, last, whole, [], go, first)
  whole.dispose()
  if (!through) return null
  const part = { ...whole.part, peaks: whole.part.peaks!.map(dbfs) }
  cache.set(here, part)
  return part
}

const hopsOf = (song: SongVersion) => Math.ceil(new TempoMap(song.tempo).secondsAt(song.length) * HOPS)

/** A track of an engine, to be measured with the returns that are its own there. */
function tap(
  engine: Engine,
  id: string,
  hops: number,
  returns: ReadonlySet<string>,
  places: SectionPlaces | null = null,
): TrackPiece {
  const whole = engine.tap([id, ...returns])
  const share = returns.size ? engine.tap([...returns]) : null
  return new TrackPiece(id, hops, whole, share, places && new SectionLooks(whole, places))
}

/** Softer than this, as a power, what a track has in the bands is not kept for other levels: it would be told from too little. */
const LEAST_POWER = 1e-6

/** Keeps what was seen of a track while it played. */
function keepBands(cache: HeardCache, { key, power }: KeptBands, { sums }: SectionLooks): void {
  if (power < LEAST_POWER) return
  cache.bands.set(
    key,
    sums.map((bands) => bands.map((energy) => energy / power)),
  )
}

/** Plays an engine from one hop to another and measures what is wanted. @returns false where it was stopped */
function listen(
  engine: Engine,
  hops: number,
  whole: Piece | null,
  tracks: readonly TrackPiece[],
  go: (count: number) => boolean,
  start = 0,
): boolean {
  const left = new Float32Array(BLOCK)
  const right = new Float32Array(BLOCK)
  const length = hops * HOP
  let first = start
  let filled = 0
  // blocks go through without a break, as in every other render: hops end somewhere inside them
  for (let at = start * HOP; at < length; at += BLOCK) {
    const n = Math.min(BLOCK, length - at)
    engine.process(at, n, n < BLOCK ? left.subarray(0, n) : left, n < BLOCK ? right.subarray(0, n) : right)
    if (whole) {
      whole.left.view.set(left, filled)
      whole.right.view.set(right, filled)
    }
    for (const track of tracks) track.take(filled, n, at)
    filled += n
    const count = Math.floor(filled / HOP)
    if (count < HOPS_AT_ONCE && at + n < length) continue
    whole?.measure(first, count)
    for (const track of tracks) track.measure(first, count)
    first += count
    filled -= count * HOP
    if (!go(count)) return false
  }
  return true
}
