import { lufsOfEnergy } from '../loudness'
import type { SongTime } from '../song'
import { hopsIn } from './part'

/** What is shown before and after something that is drawn, in beats. */
const AROUND = 2
/** Softer than this nothing is heard (the absolute gate of ITU-R BS.1770-4), in LUFS. */
export const GATE = -70
/** Nothing is told further down, in LU. */
export const DEEPEST = -80

/** How much softer a sound is than it would be, in LU, by the energies of both: 0 and below. Null where there is nothing to hear. */
export function lossOf(energy: number, full: number): number | null {
  const [soft, loud] = [lufsOfEnergy(energy), lufsOfEnergy(full)]
  return loud < GATE ? null : Math.max(DEEPEST, Math.min(0, soft - loud))
}

/** Hops that a drawn stretch is shown by, as [first, after the last]: with some beats around it. In ticks. */
export function hopsAround(
  { tempo, meter }: SongTime,
  { start, end }: { readonly start: number; readonly end: number },
  hops: number,
): [number, number] {
  const around = AROUND * meter.lengthsAt(start).beat
  return hopsIn({ from: tempo.secondsAt(start - around), to: tempo.secondsAt(end + around) }, hops)
}

/** What is kept of a loss: to a hundredth of an LU. */
export const hundredth = (lu: number | null): number | null =>
  lu === null ? null : Math.round(lu * 100) / 100
