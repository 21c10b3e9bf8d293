import { onBeforeUnmount } from 'vue'
import { useLive } from '../../api/live-store'
import { useReview } from './review-store'

/** So often a measurement is looked for while the live line is not open, and the desk says that it is in use. */
const LOOK_MS = 1000
/** So many times as seldom while the line is open. */
const SELDOM = 10
const BEAT_MS = 10_000

/**
 * What happens to the hand-ins meanwhile is on the desk without looking for it, while the component lives: measured, answered,
 * handed in, taken by another teacher.
 * @param assignment whose hand-ins are on the desk
 */
export function useReviewNews(assignment: () => string): void {
  const review = useReview()
  const live = useLive()
  live.listen(({ kind, data }) => {
    if (data.assignment !== assignment()) return
    if (data.handIn === review.handIn?.id && kind !== 'handed in') void review.lookAgain().catch(() => null)
    else void review.refreshQueue().catch(() => null)
    if (kind === 'handed in') void review.look().catch(() => null)
  })
  let ticks = 0
  const timer = setInterval(() => {
    // while the line is open, whatever is measured is told by it: then it is hardly ever asked
    if (live.connected && ++ticks % SELDOM !== 0) return
    const { measurement, measureProblem, before } = review.handIn ?? {}
    if (review.handIn && !measureProblem && (!measurement || before?.measurement === null))
      void review.lookAgain().catch(() => null)
  }, LOOK_MS)
  const beat = setInterval(() => void review.look().catch(() => null), BEAT_MS)
  onBeforeUnmount(() => {
    clearInterval(timer)
    clearInterval(beat)
  })
}
