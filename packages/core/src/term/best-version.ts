import type { Verdict } from '../evidence'
import { best } from './small-pictures'

/** What a version is weighed by. */
export interface Weighed {
  /** Task by task; null where nothing was judged. */
  readonly verdicts: readonly (Verdict | null)[]
  /** Its marks, 0…1 of what can be reached; null where it has none. */
  readonly share: number | null
}

/**
 * The best of some versions: the one that meets most tasks; of equal ones that with the better marks, and then the newest.
 * @param versions oldest first
 */
export const bestVersion = <T>(versions: readonly T[], weigh: (version: T) => Weighed): T | null =>
  best([...versions].reverse(), (version) => {
    const { verdicts, share } = weigh(version)
    // marks never outweigh a task
    return 2 * verdicts.filter((v) => v === 'met').length + (share ?? 0)
  })
