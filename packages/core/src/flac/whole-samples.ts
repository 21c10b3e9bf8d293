import { PIECE, scratch } from '../kernels'

/** What whole numbers of 16 bit are divided by to become samples of ±1: decoders differ in it. */
export interface Scale {
  /** 32,767 or 32,768: what samples above 0 are to be multiplied by. */
  readonly above: number
  /** The same for those below 0. */
  readonly below: number
}

/**
 * What whole numbers of 16 bit samples were, to the last bit.
 * @param samples ±1, of one channel
 * @param into as long as `samples` or longer
 */
export function toWholeSamples(samples: Float32Array, { above, below }: Scale, into: Int16Array): void {
  const { kernels, samples: part, whole } = scratch()
  for (let at = 0; at < samples.length; at += PIECE) {
    const piece = samples.subarray(at, at + PIECE)
    part.view.set(piece)
    kernels.wholeSamples(whole.at, part.at, piece.length, above, below)
    into.set(whole.view.subarray(0, piece.length), at)
  }
}
