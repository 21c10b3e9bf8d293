import { BLOCK, compileMix, Engine, type AudioStore } from '../engine'
import { dbfs, integratedLoudness, KWeightedEnergy, loudnessTrace, TruePeak } from '../loudness'
import { changedStretch, type Mix, type Stretch } from '../mix'
import { SAMPLE_RATE, TempoMap } from '../time'
import type { SongVersion } from '../song'

/** Samples of a hop: 100 ms. */
const HOP = SAMPLE_RATE / 10
/** How long the weighting filter, or a ramp of 5 ms, can still be told apart, in hops. */
const SETTLE = 5
/** How long effects may ring before it is no longer waited for, in hops: 10 s, as for a mixdown. */
const RINGS = 100
/** Hops of a piece that is rendered at a time: whole blocks and whole hops, 6.4 s, so that memory stays small. */
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
  /** Share of the song that had to be rendered, 0…1. */
  readonly rendered: number
}

/**
 * Measures one mix after another of a song by rendering them: after the first only the stretch that changed, with what
 * rings into it and out of it.
 */
export class MixLoudnessMeter {
  readonly #hops: number
  readonly #tempo: TempoMap
  /** Mean square of each hop after K-weighting, both sides; and its highest true peak as amplitude. */
  #energies: Float64Array
  #peaks: Float64Array
  #last: Mix | null = null

  constructor(
    private readonly song: SongVersion,
    private readonly audio: AudioStore,
  ) {
    this.#tempo = new TempoMap(song.tempo)
    this.#hops = Math.ceil(this.#tempo.secondsAt(song.length) * 10)
    this.#energies = new Float64Array(this.#hops)
    this.#peaks = new Float64Array(this.#hops)
  }

  /**
   * @param onProgress told the share done, 0…1; returns false to stop
   * @returns null where it was stopped: the next mix is then compared with the one before
   */
  measure(mix: Mix, onProgress?: (share: number) => boolean): MixLoudness | null {
    const changed = this.#last ? changedStretch(this.#last, mix) : { from: 0, to: Infinity }
    const span = changed ? this.#hopsOf(changed, mix) : { from: 0, to: 0 }
    if (span.to > span.from && !this.#render(mix, span, onProgress)) return null
    this.#last = mix
    return {
      momentary: loudnessTrace(this.#energies, 4),
      integrated: integratedLoudness(this.#energies),
      truePeak: dbfs(this.#peaks.reduce((a, b) => Math.max(a, b), 0)),
      overs: [...this.#peaks.keys()].filter((hop) => dbfs(this.#peaks[hop]!) > PEAK_LIMIT),
      rendered: this.#hops ? (span.to - span.from) / this.#hops : 0,
    }
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

  #render(mix: Mix, span: Stretch, onProgress?: (share: number) => boolean): boolean {
    // it begins early enough for everything that still rings at the start of the span
    const start = Math.max(0, span.from - SETTLE - ringing(mix))
    const engine = new Engine(compileMix(this.song, mix), this.audio)
    const sides = [new Side(), new Side()] as const
    const energies = this.#energies.slice()
    const peaks = this.#peaks.slice()
    for (let first = start; first < span.to; first += PIECE) {
      const count = Math.min(PIECE, span.to - first)
      fill(engine, first * HOP, count * HOP, sides)
      for (let k = 0; k < count; k++) {
        const hop = first + k
        const [left, right] = [sides[0].measure(k), sides[1].measure(k)]
        if (hop < span.from) continue
        energies[hop] = left.energy + right.energy
        peaks[hop] = Math.max(left.peak, right.peak)
      }
      if (onProgress && !onProgress((first + count - start) / (span.to - start))) return false
    }
    this.#energies = energies
    this.#peaks = peaks
    return true
  }
}

/** One side of a piece of sound. */
class Side {
  readonly samples = new Float32Array(PIECE * HOP)
  readonly #weighting = new KWeightedEnergy(SAMPLE_RATE)
  /** Goes on from hop to hop: a sound that is cut looks higher between its samples than it is. */
  readonly #peak = new TruePeak()

  /** Energy of hop `k` of the piece, and its highest true peak. Hops come in order. */
  measure(k: number): { readonly energy: number; readonly peak: number } {
    const from = k * HOP
    const energy = this.#weighting.sum(this.samples, from, from + HOP) / HOP
    this.#peak.push(this.samples, from, from + HOP)
    return { energy, peak: this.#peak.take() }
  }
}

/** Lets the engine write so many frames of a piece: whole blocks, but for the last of all. */
function fill(engine: Engine, start: number, frames: number, [left, right]: readonly [Side, Side]): void {
  for (let done = 0; done < frames; done += BLOCK) {
    const n = Math.min(BLOCK, frames - done)
    engine.process(
      start + done,
      n,
      left.samples.subarray(done, done + n),
      right.samples.subarray(done, done + n),
    )
  }
}

/** How long something in the mix may ring, in hops. */
function ringing(mix: Mix): number {
  return mix.returns.length || mix.tracks.some((t) => t.effects.length) ? RINGS : 0
}
