import type { Ref } from 'vue'
import type { Viewport } from '../lane/viewport'
import { fingerHold } from './finger-hold'
import type { LaneLook, LanePlace, LanePointer, LaneTool } from './lane-pointer'
import { pinchOf } from './pinch'

/** px of a wheel that bring it closer or further by e. */
const WHEEL = 240

/**
 * The one place where events of the browser become what a tool is told: which finger counts, that it is followed beyond the
 * lane, what two fingers, a finger that is still and the wheel mean. All of it is the same for every tool.
 * @returns listeners for the face
 */
export function useLanePointer(
  face: Readonly<Ref<HTMLElement | null | undefined>>,
  view: () => Viewport,
  tool: () => LaneTool,
  look: LaneLook,
) {
  /** Whether the tool has taken something. */
  let busy = false
  const ticks = (px: number) => view().tick(px) - view().tick(0)
  const hold = fingerHold()
  const pinch = pinchOf({
    begin: () => giveUp(),
    zoom: (x, factor) => look.zoom(view().tick(x), factor),
    scroll: (px) => look.scroll(ticks(px)),
  })

  const placeIn = (box: DOMRect, event: MouseEvent): LanePlace => {
    const [x, y] = [event.clientX - box.left, event.clientY - box.top]
    return { x, y, tick: view().tick(x), travel: view().travel(y) }
  }

  function pointerOf(event: PointerEvent): LanePointer {
    const box = face.value!.getBoundingClientRect()
    const place = placeIn(box, event)
    const between = event.getCoalescedEvents?.() ?? []
    const { pointerType: type, shiftKey: shift, altKey: alt, ctrlKey: ctrl } = event
    return {
      ...place,
      by: type === 'touch' ? 'finger' : type === 'pen' ? 'pen' : 'mouse',
      shift,
      alt,
      ctrl,
      trail: between.length > 1 ? between.map((e) => placeIn(box, e)) : [place],
    }
  }

  function giveUp(): void {
    hold.end()
    if (!busy) return
    busy = false
    tool().cancel()
  }

  function pointerdown(event: PointerEvent): void {
    const pointer = pointerOf(event)
    if (pointer.by === 'finger' && pinch.down(event.pointerId, pointer)) return
    if (event.button !== 0 || !event.isPrimary) return
    face.value!.focus({ preventScroll: true })
    event.preventDefault()
    if (!tool().down(pointer)) return
    busy = true
    face.value!.setPointerCapture(event.pointerId)
    if (pointer.by === 'finger') hold.down(pointer.x, pointer.y, () => busy && tool().hold?.(pointer))
  }

  function pointermove(event: PointerEvent): void {
    const pointer = pointerOf(event)
    if (pointer.by === 'finger' && pinch.move(event.pointerId, pointer)) return
    hold.move(pointer.x, pointer.y)
    if (busy) tool().move(pointer)
    else tool().hover?.(pointer)
  }

  function pointerup(event: PointerEvent): void {
    pinch.up(event.pointerId)
    hold.end()
    if (!busy) return
    busy = false
    tool().up(pointerOf(event))
  }

  function pointercancel(event: PointerEvent): void {
    pinch.up(event.pointerId)
    giveUp()
  }

  function wheel(event: WheelEvent): void {
    const { tick, travel } = placeIn(face.value!.getBoundingClientRect(), event)
    const factor = Math.exp(-event.deltaY / WHEEL)
    const sideways = event.deltaX || (event.shiftKey ? event.deltaY : 0)
    if (event.ctrlKey) look.zoom(tick, factor)
    else if (event.altKey) look.tall(travel, factor)
    else if (sideways) look.scroll(ticks(sideways))
    // up and down is the page's
    else return
    event.preventDefault()
  }

  function keydown(event: KeyboardEvent): void {
    if (!tool().key?.(event)) return
    event.preventDefault()
    event.stopPropagation()
  }

  return {
    // a tap just after a finger's stroke would be taken for the end of a fling otherwise
    touchstart: (event: TouchEvent) => event.preventDefault(),
    pointerdown,
    pointermove,
    pointerup,
    pointercancel,
    pointerleave: () => tool().leave?.(),
    wheel,
    keydown,
  }
}
