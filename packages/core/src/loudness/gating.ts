import { energyOfLufs, lufsOfEnergy } from './lufs'

const ABSOLUTE_GATE = -70

/** Mean of each run of `width` consecutive hops that lies wholly inside the signal. */
export function slidingMeans(hops: ArrayLike<number>, width: number): Float64Array {
  const count = Math.max(0, hops.length - width + 1)
  const means = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    let sum = 0
    for (let k = 0; k < width; k++) sum += hops[i + k]!
    means[i] = sum / width
  }
  return means
}

/** Mean of the block energies above an energy, or null where there is none. */
function gatedMean(blocks: Float64Array, gate: number): number | null {
  let sum = 0
  let count = 0
  for (const energy of blocks) {
    if (energy > gate) {
      sum += energy
      count++
    }
  }
  return count ? sum / count : null
}

/**
 * Integrated loudness in LUFS (BS.1770-4): blocks of 400 ms every 100 ms, an absolute gate at −70 LUFS, then
 * a relative one 10 LU under the mean of what passed it.
 * @param hops mean square of each 100 ms after K-weighting, summed over the channels
 * @returns null for silence, or for less than 400 ms
 */
export function integratedLoudness(hops: ArrayLike<number>): number | null {
  const blocks = slidingMeans(hops, 4)
  const absolute = energyOfLufs(ABSOLUTE_GATE)
  const ungated = gatedMean(blocks, absolute)
  if (ungated === null) return null
  const gated = gatedMean(blocks, Math.max(absolute, ungated / 10))
  return gated === null ? null : lufsOfEnergy(gated)
}

/**
 * Loudness range in LU (EBU Tech 3342): short-term loudness every 100 ms, gates at −70 LUFS and 20 LU under
 * the mean, then the span between the 10th and the 95th percentile. 0 where too little passes.
 */
export function loudnessRange(hops: ArrayLike<number>): number {
  const windows = slidingMeans(hops, 30)
  const absolute = energyOfLufs(ABSOLUTE_GATE)
  const mean = gatedMean(windows, absolute)
  if (mean === null) return 0
  const kept = windows.filter((energy) => energy > absolute && energy >= mean / 100).sort()
  if (kept.length < 2) return 0
  const at = (share: number) => kept[Math.round((kept.length - 1) * share)]!
  return lufsOfEnergy(at(0.95)) - lufsOfEnergy(at(0.1))
}

/**
 * Loudness over time, 10 values a second: entry n covers the window of `width` hops that ends at (n+1)·100 ms,
 * with zeros before the start. −Infinity for silence.
 */
export function loudnessTrace(hops: ArrayLike<number>, width: number): Float64Array {
  const trace = new Float64Array(hops.length)
  for (let n = 0; n < hops.length; n++) {
    let sum = 0
    for (let k = Math.max(0, n - width + 1); k <= n; k++) sum += hops[k]!
    trace[n] = lufsOfEnergy(sum / width)
  }
  return trace
}
