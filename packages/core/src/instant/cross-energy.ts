import type { AudioStore } from '../engine'
import { BLOCK, RegionReader } from '../engine'
import { scratch, type Floats, type MemoryPart } from '../kernels'
import { StereoEnergy } from '../loudness'
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
  const memory = scratch().memory.part()
  try {
    const rows = new Rows(signals, memory)
    const sums = memory.doubles(size)
    const readers = tracks.map((track, i) => {
      const own = rows.of.slice(first[i]!, first[i]! + track.channels)
      return new TrackRows(track.regions, own, memory)
    })
    for (let h = 0; h < hops; h++) {
      for (const reader of readers) reader.read(audio, h * HOP)
      rows.weigh()
      memory.kernels.products(rows.at, signals, ROW, sums.at)
      for (let i = 0; i < size; i++) products[h * size + i] = sums.view[i]! / HOP
      if (h % 50 === 49 && !onProgress(h / hops)) return null
    }
    return { hops, first, channels, signals, products }
  } finally {
    memory.release()
  }
}

/** Room for a hop, in whole vectors: what is over stays silent. */
const ROW = Math.ceil(HOP / 4) * 4

/** A hop of every signal, one after the other in memory. */
class Rows {
  readonly of: readonly Floats[]
  readonly at: number
  /** Two signals are weighted at once: the last one of an odd number beside silence. */
  readonly #pairs: readonly { readonly one: Floats; readonly other: Floats; readonly by: StereoEnergy }[]

  constructor(signals: number, memory: MemoryPart) {
    const all = memory.floats((signals + 1) * ROW)
    this.at = all.at
    const row = (k: number): Floats => ({
      at: all.at + k * ROW * 4,
      // made anew each time: what all of it looks at is another one where the memory has grown
      get view() {
        return all.view.subarray(k * ROW, k * ROW + HOP)
      },
    })
    this.of = Array.from({ length: signals }, (_, k) => row(k))
    this.#pairs = Array.from({ length: Math.ceil(signals / 2) }, (_, i) => ({
      one: row(2 * i),
      other: row(2 * i + 1),
      by: new StereoEnergy(SAMPLE_RATE),
    }))
  }

  weigh(): void {
    for (const { one, other, by } of this.#pairs) by.weigh(one, other, 0, HOP)
  }
}

/** One track's regions, a hop at a time. */
class TrackRows {
  readonly #block: readonly Floats[]
  readonly #reader: RegionReader

  constructor(
    private readonly regions: readonly RegionProgram[],
    private readonly rows: readonly Floats[],
    memory: MemoryPart,
  ) {
    this.#block = rows.map(() => memory.floats(BLOCK))
    this.#reader = new RegionReader(rows.length, memory)
  }

  read(audio: AudioStore, start: number): void {
    for (let done = 0; done < HOP; done += BLOCK) {
      const frames = Math.min(BLOCK, HOP - done)
      const sounds = this.#reader.read(this.regions, audio, { start: start + done, frames }, this.#block)
      this.rows.forEach(({ view }, c) => {
        if (sounds) view.set(this.#block[c]!.view.subarray(0, frames), done)
        else view.fill(0, done, done + frames)
      })
    }
  }
}
