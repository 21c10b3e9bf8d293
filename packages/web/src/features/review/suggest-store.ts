import { envelopeOf, resolve, withLineShown } from '@rudlo/core/mix'
import type { Points } from '@rudlo/core/envelope'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useReview } from './review-store'

/**
 * A line that the teacher suggests: drawn over the student's line, on a copy. It goes with a remark; the hand-in itself
 * stays as it is.
 */
export const useSuggestion = defineStore('suggestion', () => {
  const review = useReview()
  const player = usePlayer()
  const lane = ref<string | null>(null)
  const points = shallowRef<Points>([])
  const history = shallowRef<readonly Points[]>([])
  let gesture: Points | null = null

  /** Whether the lane on the desk is being drawn on. */
  const drawing = computed(() => lane.value !== null && lane.value === review.address)
  const mix = computed(() =>
    review.mix && lane.value ? withLineShown(review.mix, lane.value, points.value) : null,
  )
  const canUndo = computed(() => history.value.length > 0)

  function start(): void {
    const own = review.mix && envelopeOf(review.mix, review.address)?.points
    const setting = review.mix && resolve(review.mix, review.address)?.setting
    lane.value = review.address
    points.value = own?.length ? own : [{ tick: 0, value: setting ?? 0, form: 'straight', bend: 0 }]
    history.value = []
    hear()
  }

  const hear = () => mix.value && player.load(mix.value)

  function show(next: Points): void {
    points.value = next
    hear()
  }

  function begin(): void {
    gesture = points.value
  }

  function cancel(): void {
    if (gesture) show(gesture)
    gesture = null
  }

  /** Keeps what the gesture made as one step. */
  function commit(): void {
    if (gesture && gesture !== points.value) history.value = [...history.value, gesture]
    gesture = null
  }

  function set(next: Points): void {
    history.value = [...history.value, points.value]
    show(next)
  }

  function undo(): void {
    const before = history.value.at(-1)
    if (!before) return
    history.value = history.value.slice(0, -1)
    show(before)
  }

  /** Leaves it: the student's own line is shown and heard again. */
  function end(): void {
    if (lane.value && review.mix) player.load(review.mix)
    lane.value = null
    history.value = []
  }

  watch(
    () => review.handIn?.id,
    () => (lane.value = null),
  )

  return { lane, points, mix, drawing, canUndo, start, show, begin, cancel, commit, set, undo, end }
})
