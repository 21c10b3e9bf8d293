import { BLOCK, compileMix, Engine, type AudioStore, type Bus } from '../engine'
import { scratch, type MemoryPart } from '../kernels'
import {
  dbfs,
  integratedLoudness,
  loudnessTrace,
  StereoEnergy,
  TruePeak,
  type SideEnergies,
} from '../loudness'
import { changedStretch, isColoured, type Mix, type Stretch } from '../mix'
import { SAMPLE_RATE, TempoMap } from '../time'
import type { SongVersion } from '../song'

/** Samples of a hop: 100 ms. */
const HOP = SAMPLE_RATE / 10
/** How long the weighting filter, or a ramp of 5 ms, can still be told apart, in hops. */
const SETTLE = 5
/** How long effects may ring before it is no longer waited for, in hops: 10 s, as for a mixdown. */
const RINGS = 100
/** Hops of a piece that is rendered at a time: 6.4 s, so that memory stays small. */
const PIECE = 64

/** Where a mix gets too hot, in dBTP (EBU R 128). */
export const PEAK_LIMIT = -1

/** The loudness of a whole mix. */
export interface MixLoudness {
  /** LUFS every 100 ms; −Infinity for silence. */
  readonly momentary: Float64Array
  /** LUFS; null for silence. */
  readonly integrated: number | null
  /** dBTP; −Infinity for silence. */
  readonly truePeak: number
  /** Hops of 100 ms in which the true peak is above {@link PEAK_LIMIT}. */
  readonly overs: readonly number[]
  /**
   * Every track with effects by itself, by id: LUFS every 100 ms of what it gives to the mix, without its share of the
   * returns. What tracks without effects give is known without rendering.
   */
  readonly apart: ReadonlyMap<string, Float64Array>
  /** Share of the song that had to be rendered, 0…1. */
  readonly rendered: number
}

/** What is looked at while a mix is measured, in ticks, and what to do with it when it is done. */
export interface Look {
  readonly seen: Stretch
  readonly show: (loudness: MixLoudness) => void
}

/** What was measured of a mix, hop by hop. */
interface Measured {
  /** Mean square after K-weighting, both sides. */
  readonly energies: Float64Array
  /** Highest true peak, as amplitude. */
  readonly peaks: Float64Array
  /** Energies of tracks with effects, by id. */
  readonly apart: ReadonlyMap<string, Float64Array>
}

/**
 * Measures one mix after another of a song by rendering them: after the first only the stretch that changed, with what
 * rings into it and out of it.
 */
export class MixLoudnessMeter {
  readonly #hops: number
  readonly #tempo: TempoMap
  #measured: Measured
  #last: Mix | null = null

  constructor(
    private readonly song: SongVersion,
    private readonly audio: AudioStore,
  ) {
    this.#tempo = new TempoMap(song.tempo)
    this.#hops = Math.ceil(this.#tempo.secondsAt(song.length) * 10)
    this.#measured = {
      energies: new Float64Array(this.#hops),
      peaks: new Float64Array(this.#hops),
      apart: new Map(),
    }
  }

  /**
   * @param onProgress told the share done, 0…1; returns false to stop
   * @param look what somebody looks at: where much more than that is to be rendered, it comes first, and is shown then; what
   *   lies outside of it is still as it was
   * @returns null where it was stopped: the next mix is then compared with the one before
   */
  measure(mix: Mix, onProgress?: (share: number) => boolean, look?: Look): MixLoudness | null {
    const apart = mix.tracks.filter((t) => isColoured(mix, t)).map((t) => t.id)
    const known = this.#last !== null && apart.every((id) => this.#measured.apart.has(id))
    const changed = known ? changedStretch(this.#last!, mix) : { from: 0, to: Infinity }
    const span = changed ? this.#hopsOf(changed, mix) : { from: 0, to: 0 }
    const first = look && this.#seenOf(look.seen, span, mix)
    if (first) {
      const part = this.#render(mix, first, apart, onProgress && (() => onProgress(0)))
      if (!part) return null
      // not kept: if it were stopped after this, it would belong to no mix
      look.show(this.#loudness(part, apart, first))
    }
    const measured = span.to > span.from ? this.#render(mix, span, apart, onProgress) : this.#measured
    if (!measured) return null
    this.#last = mix
    this.#measured = measured
    return this.#loudness(measured, apart, span)
  }

  #loudness({ energies, peaks, apart }: Measured, ids: readonly string[], span: Stretch): MixLoudness {
    return {
      momentary: loudnessTrace(energies, 4),
      integrated: integratedLoudness(energies),
      truePeak: dbfs(peaks.reduce((a, b) => Math.max(a, b), 0)),
      overs: [...peaks.keys()].filter((hop) => dbfs(peaks[hop]!) > PEAK_LIMIT),
      apart: new Map(ids.map((id) => [id, loudnessTrace(apart.get(id)!, 4)])),
      rendered: this.#hops ? (span.to - span.from) / this.#hops : 0,
    }
  }

  /** The hops of a span that are looked at, where they are worth a render of their own; else null. */
  #seenOf({ from, to }: Stretch, span: Stretch, mix: Mix): Stretch | null {
    const hop = (tick: number) => this.#tempo.secondsAt(Math.min(tick, this.song.length)) * 10
    const seen = {
      from: Math.max(span.from, Math.floor(hop(from))),
      to: Math.min(span.to, Math.ceil(hop(to)) + SETTLE),
    }
    const rendered = seen.to - seen.from + SETTLE + ringing(mix)
    return seen.to > seen.from && rendered < (span.to - span.from) / 2 ? seen : null
  }

  /** The hops that may sound different: to the end of what rings. */
  #hopsOf({ from, to }: Stretch, mix: Mix): Stretch {
    const hop = (tick: number) => this.#tempo.secondsAt(tick) * 10
    const end = to === Infinity ? this.#hops : hop(to) + SETTLE + ringing(mix)
    return {
      from: Math.max(0, Math.floor(hop(Math.min(from, this.song.length))) - 1),
      to: Math.min(this.#hops, Math.ceil(end)),
    }
  }

  #render(
    mix: Mix,
    span: Stretch,
    apart: readonly string[],
    onProgress?: (share: number) => boolean,
  ): Measured | null {
    // it begins early enough for everything that still rings at the start of the span
    const start = Math.max(0, span.from - SETTLE - ringing(mix))
    const engine = new Engine(compileMix(this.song, mix), this.audio)
    const memory = scratch().memory.part()
    try {
      const whole = new Whole(memory)
      const tracks = apart.map(
        (id) => new TappedTrack(id, memory, engine.tap([id]), this.#measured.apart.get(id), this.#hops),
      )
      const energies = this.#measured.energies.slice()
      const peaks = this.#measured.peaks.slice()
      for (let first = start; first < span.to; first += PIECE) {
        const count = Math.min(PIECE, span.to - first)
        fill(engine, first * HOP, count * HOP, whole, tracks)
        for (let k = 0; k < count; k++) {
          const hop = first + k
          const { energy, peak } = whole.measure(k)
          for (const track of tracks) track.measure(k, hop, hop >= span.from)
          if (hop < span.from) continue
          energies[hop] = energy
          peaks[hop] = peak
        }
        if (onProgress && !onProgress((first + count - start) / (span.to - start))) return null
      }
      return { energies, peaks, apart: new Map(tracks.map((track) => [track.id, track.energies])) }
    } finally {
      memory.release()
    }
  }
}

/** A piece of sound, in the meters' own memory. */
class Sides {
  readonly left
  readonly right
  readonly #weighting = new StereoEnergy(SAMPLE_RATE)
  readonly #sums: SideEnergies = { left: 0, right: 0 }

  constructor(memory: MemoryPart) {
    this.left = memory.floats(PIECE * HOP)
    this.right = memory.floats(PIECE * HOP)
  }

  /** Mean square of hop `k` of the piece after K-weighting, both sides. Hops come in order. */
  energy(k: number): number {
    this.#weighting.sum(this.left, this.right, k * HOP, (k + 1) * HOP, this.#sums)
    return (this.#sums.left + this.#sums.right) / HOP
  }
}

/** The whole mix. */
class Whole extends Sides {
  /** Go on from hop to hop: a sound that is cut looks higher between its samples than it is. */
  readonly #peaks = [new TruePeak(), new TruePeak()] as const

  /** Energy of hop `k` of the piece, and its highest true peak, as amplitude. Hops come in order. */
  measure(k: number): { readonly energy: number; readonly peak: number } {
    const [left, right] = [this.left, this.right].map(({ view }, side) => {
      this.#peaks[side]!.push(view, k * HOP, (k + 1) * HOP)
      return this.#peaks[side]!.take()
    })
    return { energy: this.energy(k), peak: Math.max(left!, right!) }
  }
}

/** A track that is measured beside the mix. */
class TappedTrack extends Sides {
  /** Mean square of each hop after K-weighting, both sides. */
  readonly energies: Float64Array

  /** @param known its energies so far, of so many hops; they are kept where it is not measured anew */
  constructor(
    readonly id: string,
    memory: MemoryPart,
    private readonly bus: Bus,
    known: Float64Array | undefined,
    hops: number,
  ) {
    super(memory)
    this.energies = known?.slice() ?? new Float64Array(hops)
  }

  /** Takes what the track gave in the last block of so many frames to place `at` of the piece. */
  take(at: number, frames: number): void {
    for (const [c, { view }] of [this.left, this.right].entries()) {
      if (this.bus.fed) view.set(this.bus.channels[c]!.view.subarray(0, frames), at)
      else view.fill(0, at, at + frames)
    }
  }

  /** Measures hop `k` of the piece. Hops come in order; those before `kept` only bring the weighting up to date. */
  measure(k: number, hop: number, kept: boolean): void {
    const energy = this.energy(k)
    if (kept) this.energies[hop] = energy
  }
}

/** Lets the engine write so many frames of a piece, block by block. */
function fill(
  engine: Engine,
  start: number,
  frames: number,
  { left, right }: Whole,
  tracks: readonly TappedTrack[],
): void {
  for (let done = 0; done < frames; done += BLOCK) {
    const n = Math.min(BLOCK, frames - done)
    engine.process(start + done, n, left.view.subarray(done, done + n), right.view.subarray(done, done + n))
    for (const track of tracks) track.take(done, n)
  }
}

/** How long something in the mix may ring, in hops. */
function ringing(mix: Mix): number {
  return mix.returns.length || mix.tracks.some((t) => t.effects.length) ? RINGS : 0
}
