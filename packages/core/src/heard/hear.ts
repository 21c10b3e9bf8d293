import { BLOCK, compileMix, Engine, type AudioStore, type Program } from '../engine'
import { dbfs, StereoEnergy, TruePeak, type SideEnergies } from '../loudness'
import type { Mix } from '../mix'
import { SAMPLE_RATE, TempoMap } from '../time'
import type { SongVersion } from '../song'
import { entriesOf } from './entries'
import { emptyPart, type Part } from './part'

const HOP = SAMPLE_RATE / 10
/** Hops that are rendered at a time: whole blocks and whole hops. */
const PIECE = 64

/** Everything that is measured of the sound of a mix. */
export interface Heard {
  readonly hops: number
  readonly mix: Part
  /** The mix with its lines off. */
  readonly still: Part
  /** Highest true peak in each hop, dBTP; −Infinity for silence. */
  readonly peaks: Float64Array
  /** Every track with its share of the returns. */
  readonly tracks: Readonly<Record<string, Part>>
  /** The share of the returns alone, of every track that sends. */
  readonly shares: Readonly<Record<string, Part>>
  /** Ticks at which each track begins to play after it was silent. */
  readonly entries: Readonly<Record<string, readonly number[]>>
}

/** What was measured before, by what it was measured of: the same part of the same mix is not rendered twice. */
export interface HeardCache {
  get(key: string): Part | undefined
  set(key: string, part: Part): void
}

/** A cache that forgets what was not asked for longest. */
export class RecentParts implements HeardCache {
  readonly #parts = new Map<string, Part>()

  constructor(private readonly most = 400) {}

  get(key: string): Part | undefined {
    const part = this.#parts.get(key)
    if (part) {
      this.#parts.delete(key)
      this.#parts.set(key, part)
    }
    return part
  }

  set(key: string, part: Part): void {
    this.#parts.set(key, part)
    if (this.#parts.size > this.most) this.#parts.delete(this.#parts.keys().next().value!)
  }
}

/**
 * Renders a mix and its parts and measures them.
 * @param cache of parts measured before, for songs of this audio
 * @param onProgress told the share done, 0…1; returns false to stop
 * @returns null where it was stopped
 */
export function hear(
  song: SongVersion,
  mix: Mix,
  audio: AudioStore,
  cache: HeardCache = new RecentParts(),
  onProgress: (share: number) => boolean = () => true,
): Heard | null {
  const hops = Math.ceil(new TempoMap(song.tempo).secondsAt(song.length) * 10)
  const program = compileMix(song, mix)
  const songKey = JSON.stringify([song.tempo, song.length, song.assets])
  const steps = 2 + mix.tracks.length
  let done = 0
  const go = () => onProgress(++done / steps)
  const kept = (key: string, make: () => Part): Part => {
    const known = cache.get(songKey + key)
    if (known) return known
    const part = make()
    cache.set(songKey + key, part)
    return part
  }
  const whole = kept(`whole ${JSON.stringify(sounding(mix))}`, () => {
    const [part] = measure([new Engine(program, audio)], hops, true)
    return { ...part!, peaks: part!.peaks!.map(dbfs) }
  })
  if (!go()) return null
  const still = kept(`still ${JSON.stringify({ ...mix, envelopes: [], motifs: [], placements: [] })}`, () => {
    const engine = new Engine(program, audio)
    engine.moves = false
    return measure([engine], hops, true)[0]!
  })
  if (!go()) return null
  const tracks: Record<string, Part> = {}
  const shares: Record<string, Part> = {}
  for (const { id } of program.tracks) {
    const alone = ownProgram(program, mix, id)
    const key = partKey(mix, id)
    const [own, share] = [cache.get(`${songKey}track ${key}`), cache.get(`${songKey}share ${key}`)]
    const sends = mix.tracks.find((t) => t.id === id)!.sends.length > 0
    if (own && (share || !sends)) {
      tracks[id] = own
      if (share) shares[id] = share
    } else {
      const engines = [new Engine(alone, audio), ...(sends ? [new Engine(withoutSends(alone), audio)] : [])]
      const [made, left] = measure(engines, hops)
      cache.set(`${songKey}track ${key}`, (tracks[id] = made!))
      if (left) cache.set(`${songKey}share ${key}`, (shares[id] = left))
    }
    if (!go()) return null
  }
  return {
    hops,
    mix: whole,
    still,
    peaks: whole.peaks!,
    tracks,
    shares,
    entries: entriesOf(song, mix, audio),
  }
}

/** The program of one track, with those returns only that it reaches. */
function ownProgram(program: Program, mix: Mix, id: string): Program {
  const reached = new Set<string>()
  const follow = (sends: readonly { readonly to: string }[]) => {
    for (const { to } of sends) {
      reached.add(to)
      follow(mix.returns.find((r) => r.id === to)?.sends ?? [])
    }
  }
  follow(mix.tracks.find((t) => t.id === id)!.sends)
  return {
    ...program,
    tracks: program.tracks.filter((t) => t.id === id),
    returns: program.returns.filter((_, i) => reached.has(mix.returns[i]!.id)),
  }
}

const withoutSends = (program: Program): Program => ({
  ...program,
  tracks: program.tracks.map((t) => ({ ...t, sends: [] })),
  returns: [],
})

/** Everything that a track's own sound depends on. */
function partKey(mix: Mix, id: string): string {
  const track = mix.tracks.find((t) => t.id === id)!
  const returns = track.sends.length ? mix.returns : []
  const ids = [
    id,
    ...[track, ...returns].flatMap((o) => [...o.sends, ...o.effects].map((x) => x.id)),
    ...returns.map((r) => r.id),
  ]
  const concerned = new Set(ids)
  const lines = mix.envelopes
    .filter(
      (e) =>
        e.on && e.points.length && (e.address.startsWith('main/') || concerned.has(e.address.split('/')[1]!)),
    )
    .map((e) => [e.address, e.points])
  return JSON.stringify([track, returns, mix.main, lines])
}

/** What a mix sounds by: its lines that are in charge, and nothing that only tells how they came about. */
const sounding = (mix: Mix) => [
  mix.tracks,
  mix.returns,
  mix.main,
  mix.envelopes.filter((e) => e.on && e.points.length).map((e) => [e.address, e.points]),
]

/**
 * Measures what an engine plays and, where there is a second one, what that leaves out of it.
 * @param whole with true peaks, as amplitudes, and with how bright it is
 */
function measure([engine, less]: readonly Engine[], hops: number, whole = false): Part[] {
  const sound = new Piece(emptyPart(hops, whole))
  const rest = less ? new Piece(emptyPart(hops)) : null
  for (let first = 0; first < hops; first += PIECE) {
    const count = Math.min(PIECE, hops - first)
    fill(engine!, first * HOP, count * HOP, sound)
    if (less && rest) {
      fill(less, first * HOP, count * HOP, rest)
      difference(sound.left, rest.left)
      difference(sound.right, rest.right)
    }
    sound.measure(first, count)
    rest?.measure(first, count)
  }
  return rest ? [sound.part, rest.part] : [sound.part]
}

/** Takes `rest` away from `whole`, into `rest`. */
function difference(whole: Float32Array, rest: Float32Array): void {
  for (let i = 0; i < rest.length; i++) rest[i] = whole[i]! - rest[i]!
}

function fill(engine: Engine, start: number, frames: number, { left, right }: Piece): void {
  for (let at = 0; at < frames; at += BLOCK) {
    const n = Math.min(BLOCK, frames - at)
    engine.process(start + at, n, left.subarray(at, at + n), right.subarray(at, at + n))
  }
}

/** A piece of sound and what is measured of it, piece after piece. */
class Piece {
  readonly left = new Float32Array(PIECE * HOP)
  readonly right = new Float32Array(PIECE * HOP)
  readonly #weighting = new StereoEnergy(SAMPLE_RATE)
  readonly #peaks = [new TruePeak(), new TruePeak()] as const
  readonly #energies: SideEnergies = { left: 0, right: 0 }
  readonly #before = [0, 0]

  constructor(readonly part: Part) {}

  measure(first: number, count: number): void {
    const { left, right, part } = this
    const sums = this.#energies
    for (let k = 0; k < count; k++) {
      const from = k * HOP
      this.#weighting.sum(left, right, from, from + HOP, sums)
      part.left[first + k] = sums.left / HOP
      part.right[first + k] = sums.right / HOP
      if (part.peaks) part.peaks[first + k] = Math.max(this.#peak(0, left, from), this.#peak(1, right, from))
      if (part.bright) {
        this.#brighten(0, left, from, first + k)
        this.#brighten(1, right, from, first + k)
      }
    }
  }

  #peak(side: 0 | 1, samples: Float32Array, from: number): number {
    const peak = this.#peaks[side]
    peak.push(samples, from, from + HOP)
    return peak.take()
  }

  #brighten(side: 0 | 1, samples: Float32Array, from: number, hop: number): void {
    let plain = 0
    let steep = 0
    let before = this.#before[side]!
    for (let n = from; n < from + HOP; n++) {
      const x = samples[n]!
      plain += x * x
      steep += (x - before) * (x - before)
      before = x
    }
    this.#before[side] = before
    this.part.bright!.plain[hop]! += plain / HOP
    this.part.bright!.steep[hop]! += steep / HOP
  }
}
