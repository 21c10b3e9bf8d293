import { resolve } from '@rudlo/core/mix'
import { watch, type Ref } from 'vue'
import type { Step } from '../../document/history'
import { useWork } from '../../document/work-store'

/**
 * The lane of a control comes to the desk when it is touched, and goes again when that touch is undone.
 * @param active the lane that is worked on
 * @param address the same; setting it shows a lane in its place
 * @param follows whether a touch brings its lane at all
 * @returns what is told of a touch
 */
export function useTouchedLane(
  active: Readonly<Ref<string>>,
  address: Ref<string>,
  follows: Readonly<Ref<boolean>>,
): (lane: string) => void {
  const work = useWork()
  /** The lane that was there before a touch brought another, until the step of that touch is done; and then by that step. */
  let leftBehind: string | null = null
  const cameFrom = new WeakMap<Step, string>()

  /** Brings the lane of a control that was touched to the desk, unless that is not wanted. A switch is pressed in passing. */
  function touch(lane: string): void {
    if (!follows.value || !work.mix || resolve(work.mix, lane)?.control.scale.kind === 'switch') return
    if (lane !== active.value) leftBehind = active.value
    address.value = lane
  }

  // what a touch brought goes again with its step
  watch(
    () => work.history,
    (now, before) => {
      const [did, undid] = [now.done.at(-1), now.undone.at(-1)]
      if (did && leftBehind && now.done.length > before.done.length) {
        if (did.lanes.includes(active.value)) cameFrom.set(did, leftBehind)
        leftBehind = null
      }
      const lane = undid && now.undone.length > before.undone.length ? cameFrom.get(undid) : undefined
      if (lane && work.mix && resolve(work.mix, lane)) address.value = lane
    },
  )

  return touch
}
