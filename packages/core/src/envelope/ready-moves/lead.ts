/** A way there that takes about so long is heard as a move, and not as a switch, in seconds. */
const SECONDS = 0.4
/** Lengths that a way there can have, in beats. */
const LENGTHS = [0.25, 0.5, 1, 2]

/**
 * How long the way to a dip, a lift or a sweep takes: the note value next to 0.4 seconds.
 * @param beat ticks of a beat
 * @param seconds of a beat
 * @returns ticks
 */
export function leadOf(beat: number, seconds: number): number {
  const off = (beats: number) => Math.max((beats * seconds) / SECONDS, SECONDS / (beats * seconds))
  return Math.round(beat * LENGTHS.reduce((best, beats) => (off(beats) < off(best) ? beats : best)))
}
