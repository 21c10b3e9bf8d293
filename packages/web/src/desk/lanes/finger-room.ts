import { useElementSize, useMediaQuery } from '@vueuse/core'
import { watch, type Ref } from 'vue'
import { useDesk } from '../desk-store'

/** px that a finger needs to hit one bar and no other. */
const FINGER = 44
/** px of a lane that show no bars: its head, and the room at both sides. */
const ASIDE = 280

/** Looks closer for a finger that is to choose bars, where they are narrower than it: at those of the task first. */
export function useFingerRoom(lanes: Readonly<Ref<HTMLElement | undefined>>): void {
  const desk = useDesk()
  const finger = useMediaQuery('(pointer: coarse)')
  const { width } = useElementSize(lanes)

  watch([() => desk.hand, () => desk.taskId, width], () => {
    if (!finger.value || desk.hand !== 'bars' || width.value <= ASIDE || !desk.time) return
    const { from, to } = desk.span
    const { bar } = desk.time.meter.lengthsAt(desk.offered?.from ?? from)
    const room = Math.floor((width.value - ASIDE) / FINGER)
    if ((to - from) / bar <= room) return
    const start = Math.max(0, (desk.offered?.from ?? from) - bar)
    desk.look({ from: start, to: start + room * bar })
  })
}
