import type { AudioStore } from '../engine'
import { BLOCK, RegionReader, EngineMemory, type Floats } from '../engine'
import { KWeightedEnergy } from '../loudness'
import { SAMPLE_RATE } from '../time'
import type { RegionProgram, TrackProgram } from '../engine'

/** Hops a second. */
const HOP = SAMPLE_RATE / 10

/**
 * Mean products of every two source signals of a song after K-weighting, for each 100 ms. A mono track is one
 * signal, a stereo track two. Made once per song; from it follows the loudness of any mix of dry tracks.
 */
export interface CrossEnergy {
  readonly hops: number
  /** Index of the first signal of each track, in the order of the tracks. */
  readonly first: readonly number[]
  readonly channels: readonly (1 | 2)[]
  /** How many signals there are. */
  readonly signals: number
  /** Row after row of the lower triangle, hop after hop: entry (k, l ≤ k) of hop h at h·T + k(k+1)/2 + l. */
  readonly products: Float32Array
}

/** Size of the triangle of so many signals. */
export const triangle = (signals: number) => (signals * (signals + 1)) / 2

/** Makes the table. `onProgress` is told the share done and may stop it by returning false. */
export function crossEnergy(
  tracks: readonly Pick<TrackProgram, 'channels' | 'regions'>[],
  audio: AudioStore,
  length: number,
  onProgress: (share: number) => boolean = () => true,
): CrossEnergy | null {
  const channels = tracks.map((t) => t.channels)
  const first: number[] = []
  let signals = 0
  for (const count of channels) {
    first.push(signals)
    signals += count
  }
  const hops = Math.floor(length / HOP)
  const size = triangle(signals)
  const products = new Float32Array(hops * size)
  const readers = tracks.map((track) => new WeightedTrack(track.regions, track.channels))
  const rows = readers.flatMap((reader) => reader.hop)
  for (let h = 0; h < hops; h++) {
    for (const reader of readers) reader.read(audio, h * HOP)
    let at = h * size
    for (let k = 0; k < signals; k++) {
      const a = rows[k]!
      for (let l = 0; l <= k; l++, at++) {
        const b = rows[l]!
        let sum = 0
        for (let n = 0; n < HOP; n++) sum += a[n]! * b[n]!
        products[at] = sum / HOP
      }
    }
    if (h % 50 === 49 && !onProgress(h / hops)) return null
  }
  return { hops, first, channels, signals, products }
}

/** One track's regions, K-weighted, a hop at a time. */
class WeightedTrack {
  readonly hop: readonly Float32Array[]
  readonly #filters: readonly KWeightedEnergy[]
  readonly #block: readonly Floats[]
  readonly #reader: RegionReader

  constructor(
    private readonly regions: readonly RegionProgram[],
    channels: number,
  ) {
    this.hop = Array.from({ length: channels }, () => new Float32Array(HOP))
    this.#filters = this.hop.map(() => new KWeightedEnergy(SAMPLE_RATE))
    const memory = new EngineMemory().part()
    this.#block = this.hop.map(() => memory.floats(BLOCK))
    this.#reader = new RegionReader(channels, memory)
  }

  read(audio: AudioStore, start: number): void {
    for (let done = 0; done < HOP; done += BLOCK) {
      const frames = Math.min(BLOCK, HOP - done)
      const sounds = this.#reader.read(this.regions, audio, { start: start + done, frames }, this.#block)
      this.hop.forEach((hop, c) => {
        if (sounds) hop.set(this.#block[c]!.view.subarray(0, frames), done)
        else hop.fill(0, done, done + frames)
      })
    }
    this.hop.forEach((hop, c) => this.#filters[c]!.sum(hop, 0, HOP, hop))
  }
}
