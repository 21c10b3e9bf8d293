import type { AudioStore } from './audio'
import type { BlockTime } from './block'
import type { RegionProgram } from './program'

const UNIT = 1 / 32768

/**
 * Adds the regions of a track that sound in a block to `out` (one array a channel).
 * @returns false where none does; `out` is then untouched
 */
export function readRegions(
  regions: readonly RegionProgram[],
  audio: AudioStore,
  block: Pick<BlockTime, 'start' | 'frames'>,
  out: readonly Float32Array[],
): boolean {
  let sounds = false
  const blockEnd = block.start + block.frames
  for (const region of regions) {
    if (region.start >= blockEnd) break
    const end = region.start + region.length
    if (end <= block.start || region.gain === 0) continue
    const asset = audio.get(region.asset)
    if (!asset) continue
    const from = Math.max(block.start, region.start)
    const to = Math.min(blockEnd, end)
    // the usual case, one region without fades across the whole block, is written and not added
    const alone = !sounds && from === block.start && to === blockEnd && !isFaded(region, from, to)
    if (!sounds && !alone) for (const channel of out) channel.fill(0, 0, block.frames)
    sounds = true
    for (let c = 0; c < out.length; c++) {
      const samples = asset.channels[Math.min(c, asset.channels.length - 1)]!
      if (alone) copy(samples, from - region.start + region.offset, region.gain * UNIT, block.frames, out[c]!)
      else add(region, samples, from, to, block.start, out[c]!)
    }
  }
  return sounds
}

function isFaded({ start, length, fadeIn, fadeOut }: RegionProgram, from: number, to: number): boolean {
  return from - start < fadeIn || to - start > length - fadeOut
}

function copy(samples: Int16Array, first: number, gain: number, frames: number, out: Float32Array): void {
  for (let n = 0; n < frames; n++) out[n] = samples[first + n]! * gain
}

function add(
  region: RegionProgram,
  samples: Int16Array,
  from: number,
  to: number,
  blockStart: number,
  out: Float32Array,
): void {
  const { start, length, fadeIn, fadeOut } = region
  const shift = region.offset - start
  const gain = region.gain * UNIT
  if (!isFaded(region, from, to)) {
    for (let n = from; n < to; n++) out[n - blockStart]! += samples[n + shift]! * gain
    return
  }
  for (let n = from; n < to; n++) {
    const into = n - start
    const left = length - into
    let fade = 1
    if (into < fadeIn) fade = into / fadeIn
    if (left < fadeOut) fade *= left / fadeOut
    out[n - blockStart]! += samples[n + shift]! * gain * fade
  }
}
