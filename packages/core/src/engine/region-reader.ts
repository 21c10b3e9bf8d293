import type { AssetAudio, AudioStore } from './audio'
import { BLOCK, type BlockTime } from './block'
import type { Floats, MemoryPart } from '../kernels'
import { SamplePages } from './sample-pages'
import type { RegionProgram } from './program'

const UNIT = 1 / 32768

/** Reads the regions of one track, block by block. */
export class RegionReader {
  readonly #memory: MemoryPart
  /** What each channel reads of its recording. */
  readonly #pages: readonly SamplePages[]
  /** Fades of a block. */
  readonly #fade: Floats
  readonly #faded: Floats
  /** The recording of the region read last: looked up once, a recording never changes. */
  #region: RegionProgram | null = null
  #asset: AssetAudio | undefined

  constructor(channels: number, memory: MemoryPart) {
    this.#memory = memory
    this.#pages = Array.from({ length: channels }, () => new SamplePages(memory))
    this.#fade = memory.memory.scratch('fade', BLOCK)
    this.#faded = memory.memory.scratch('faded', BLOCK)
  }

  /**
   * Writes the regions that sound in a block to `out`, one piece of memory a channel.
   * @returns false where none does; `out` is then untouched
   */
  read(
    regions: readonly RegionProgram[],
    audio: AudioStore,
    block: Pick<BlockTime, 'start' | 'frames'>,
    out: readonly Floats[],
  ): boolean {
    let sounds = false
    const blockEnd = block.start + block.frames
    for (let i = 0; i < regions.length; i++) {
      const region = regions[i]!
      if (region.start >= blockEnd) break
      const end = region.start + region.length
      if (end <= block.start || region.gain === 0) continue
      const asset = this.#find(region, audio)
      if (!asset) continue
      const from = Math.max(block.start, region.start)
      const to = Math.min(blockEnd, end)
      const faded = isFaded(region, from, to)
      // the usual case, one region without fades across the whole block, is written and not added
      const alone = !sounds && from === block.start && to === blockEnd && !faded
      if (!sounds && !alone) for (let c = 0; c < out.length; c++) out[c]!.view.fill(0, 0, block.frames)
      sounds = true
      if (faded) this.#shape(region, from, to)
      for (let c = 0; c < out.length; c++) {
        const samples = asset.channels[Math.min(c, asset.channels.length - 1)]!
        const first = from - region.start + region.offset
        const at = out[c]!.at + (from - block.start) * 4
        if (faded) this.#addFaded(c, samples, first, to - from, region.gain, at)
        else this.#pages[c]!.read(samples, first, to - from, region.gain * UNIT, at, !alone)
      }
    }
    return sounds
  }

  #find(region: RegionProgram, audio: AudioStore): AssetAudio | undefined {
    if (region !== this.#region || !this.#asset) {
      this.#region = region
      this.#asset = audio.get(region.asset)
    }
    return this.#asset
  }

  /** Writes the gains of a region's fades for a stretch of it. */
  #shape({ start, length, fadeIn, fadeOut }: RegionProgram, from: number, to: number): void {
    const { view } = this.#fade
    for (let n = from; n < to; n++) {
      const into = n - start
      const left = length - into
      let fade = 1
      if (into < fadeIn) fade = into / fadeIn
      if (left < fadeOut) fade *= left / fadeOut
      view[n - from] = fade
    }
  }

  #addFaded(c: number, samples: Int16Array, first: number, frames: number, gain: number, at: number): void {
    const { kernels } = this.#memory
    this.#pages[c]!.read(samples, first, frames, gain * UNIT, this.#faded.at, false)
    kernels.addProduct(at, this.#faded.at, this.#fade.at, frames, 1)
  }
}

function isFaded({ start, length, fadeIn, fadeOut }: RegionProgram, from: number, to: number): boolean {
  return from - start < fadeIn || to - start > length - fadeOut
}
