import { BEND_STEP, RATE, ratioOf, type Bend, type Note } from '../note'

/** From a place on, in seconds, so many semitones up or down. */
export type BendFrom = readonly [seconds: number, semitones: number]

/** A bend is reached in about this time: files send stairs, hands do not. */
const GLIDE_SECONDS = 0.008
/** A slide comes from no further, in semitones: as far as a wheel is followed. */
const FARTHEST = 24

/** The curve of bends in order, for a part of so many frames; undefined where nothing is bent. */
export function bendCurve(bends: readonly BendFrom[], frames: number): Bend | undefined {
  if (bends.every(([, semitones]) => semitones === 0)) return undefined
  const curve = new Float32Array(Math.ceil(frames / BEND_STEP) + 1)
  const share = Math.min(1, BEND_STEP / (GLIDE_SECONDS * RATE))
  let next = 0
  let wanted = 0
  let now = 0
  for (let i = 0; i < curve.length; i++) {
    const seconds = (i * BEND_STEP) / RATE
    while (next < bends.length && bends[next]![0] <= seconds) wanted = bends[next++]![1]
    now += share * (wanted - now)
    curve[i] = ratioOf(now)
  }
  return curve
}

/** The factor at a sample of the part. */
export function bentAt(bend: Bend | undefined, sample: number): number {
  if (!bend) return 1
  return bend[Math.min(bend.length - 1, Math.max(0, Math.floor(sample / BEND_STEP)))] ?? 1
}

/**
 * How far a note is bent, by the wheel and by sliding to its pitch: a factor on its frequency at a sample of the note. A slide goes
 * the same number of semitones in the same time.
 * @param from sample of the part at which the note begins
 */
export function bentNote(
  { pitch, slide }: Note,
  from: number,
  bend: Bend | undefined,
): (sample: number) => number {
  if (!slide) return (sample) => bentAt(bend, from + sample)
  const away = Math.min(FARTHEST, Math.max(-FARTHEST, slide.from - pitch))
  const frames = Math.max(1, slide.seconds * RATE)
  return (sample) =>
    bentAt(bend, from + sample) * (sample < frames ? ratioOf(away * (1 - sample / frames)) : 1)
}
