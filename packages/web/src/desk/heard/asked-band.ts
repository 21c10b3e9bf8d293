import type { PictureTask } from '@rudlo/core/heard'

/** The lead over the rest in a full arrangement, in LU. */
const USUAL = [0, 4] as const

/** Where the lead should stand over the rest, in LU: as a task asks for it, or as is usual. */
export function askedBand(task: Pick<PictureTask, 'checks'> | null): readonly [low: number, high: number] {
  const asked = task?.checks.find((c) => c.kind === 'lead over rest')?.values
  const [least, most] = [asked?.['low'], asked?.['high']]
  return typeof least === 'number' && typeof most === 'number' ? [least, most] : USUAL
}
