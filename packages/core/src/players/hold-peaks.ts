import { gainOfDb } from '../maths'
import { measureLoudness } from '../loudness'
import { SAMPLE_RATE } from '../time'

/** Samples over which the gain comes down before a peak, and goes back after it: 3 ms and 60 ms. */
const AHEAD = Math.round(0.003 * SAMPLE_RATE)
const BACK = 1 / (0.06 * SAMPLE_RATE)

/**
 * Holds peaks down to so many dB above the loudness of the whole: a gain that comes down before each peak that is higher and
 * goes back slowly (a look-ahead limiter), the same for all channels. What struck and plucked instruments have at their
 * beginnings would else ask for a mix that is soft everywhere else.
 */
export function holdPeaks(channels: readonly Float32Array[], crest: number): void {
  const [left, right] = channels
  if (!left) return
  const { integrated } = measureLoudness(SAMPLE_RATE, right ? [left, right] : [left])
  if (integrated !== null) holdBelow(channels, gainOfDb(integrated + crest))
}

/** The same down to an amplitude. @returns the highest amplitude that is left */
export function holdBelow(channels: readonly Float32Array[], ceiling: number): number {
  const frames = channels[0]?.length ?? 0
  const gains = new Float32Array(frames).fill(1)
  let highest = 0
  for (const samples of channels)
    for (let n = 0; n < frames; n++) {
      const peak = Math.abs(samples[n]!)
      if (peak > highest) highest = peak
      if (peak * gains[n]! > ceiling) gains[n] = ceiling / peak
    }
  if (highest <= ceiling) return highest
  smooth(gains)
  for (const samples of channels) for (let n = 0; n < frames; n++) samples[n]! *= gains[n]!
  return ceiling
}

/** Makes of gains at single samples a curve that is nowhere above them: straight down before each, slowly back after it. */
function smooth(gains: Float32Array): void {
  let gain = 1
  for (let n = 0; n < gains.length; n++) {
    gain = Math.min(gains[n]!, gain + (1 - gain) * BACK)
    gains[n] = gain
  }
  // backwards: on the way to a low gain, the ones before it are lower the nearer they are
  let wanted = 1
  let step = 0
  for (let n = gains.length - 1; n >= 0; n--) {
    wanted = Math.min(1, wanted + step)
    if (gains[n]! < wanted) {
      wanted = gains[n]!
      step = (1 - wanted) / AHEAD
    } else gains[n] = wanted
  }
}
