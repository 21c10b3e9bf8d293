/** A stretch of samples that sounds, first to one after the last. */
export interface Stretch {
  readonly from: number
  readonly to: number
}

/** Samples of silence that part one region from the next: 2 seconds. */
const GAP = 88_200
/** Kept around what sounds: 50 ms. */
const MARGIN = 2205
const QUIET = 12

/** The stretches of a recording that are not silent, as regions would be cut. */
export function soundingStretches(channels: readonly Int16Array[]): Stretch[] {
  const frames = channels[0]?.length ?? 0
  const stretches: { from: number; to: number }[] = []
  for (let n = 0; n < frames; n++) {
    let loud = false
    for (let c = 0; c < channels.length; c++) loud ||= Math.abs(channels[c]![n]!) > QUIET
    if (!loud) continue
    const last = stretches.at(-1)
    if (last && n - last.to < GAP) last.to = n + 1
    else stretches.push({ from: n, to: n + 1 })
  }
  return stretches.map(({ from, to }) => ({
    from: Math.max(0, from - MARGIN),
    to: Math.min(frames, to + MARGIN),
  }))
}
