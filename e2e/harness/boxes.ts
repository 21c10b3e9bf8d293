/**
 * What on a page has no room: text that is cut off, things to press that lie on each other, and what sticks out of the page to the
 * right. It runs in the page, and so knows nothing from outside itself.
 * @returns one line for each, empty if all is well
 */
export function tightBoxes(): string[] {
  const found: string[] = []
  const said = (element: Element) =>
    `<${element.tagName.toLowerCase()} class="${element.getAttribute('class') ?? ''}"> ${element.textContent?.trim().slice(0, 60)}`
  const isSeen = (element: Element): boolean =>
    element.checkVisibility({ opacityProperty: true, visibilityProperty: true })
  /** Said in full to whoever rests on it. */
  const isTold = (element: Element) => element.closest('[data-tip], [title]') !== null
  /** Said to a screen reader alone. */
  const isTiny = ({ width, height }: DOMRect) => width < 3 || height < 3
  /** The part of a box that the boxes around it let through. */
  const shown = (element: Element): DOMRect => {
    let { left, top, right, bottom } = element.getBoundingClientRect()
    for (let outer = element.parentElement; outer; outer = outer.parentElement) {
      const { overflowX, overflowY } = getComputedStyle(outer)
      if (overflowX === 'visible' && overflowY === 'visible') continue
      const box = outer.getBoundingClientRect()
      left = Math.max(left, box.left)
      right = Math.min(right, box.right)
      top = Math.max(top, box.top)
      bottom = Math.min(bottom, box.bottom)
    }
    return new DOMRect(left, top, Math.max(0, right - left), Math.max(0, bottom - top))
  }

  for (const element of document.body.querySelectorAll('*')) {
    const words = [...element.childNodes].some((n) => n.nodeType === 3 && n.textContent!.trim().length > 1)
    if (!words || !isSeen(element) || isTiny(element.getBoundingClientRect())) continue
    const style = getComputedStyle(element)
    if (style.overflowX === 'hidden' || style.overflowX === 'clip') {
      // a name of a song or a person may be shortened, where it is said in full to whoever rests on it
      if (element.scrollWidth > element.clientWidth + 1 && !isTold(element))
        found.push(`cut off: ${said(element)}`)
    }
    const range = document.createRange()
    // its own words, and not those that only a screen reader is told
    const own = [...element.childNodes].filter((n) => n.nodeType === 3 && n.textContent!.trim())
    range.setStart(own[0]!, 0)
    range.setEnd(own.at(-1)!, own.at(-1)!.textContent!.length)
    const text = own.length > 1 ? element.getBoundingClientRect() : range.getBoundingClientRect()
    const button = element.closest('button, [role=button], a.v-btn')
    if (button) {
      const box = button.getBoundingClientRect()
      const over = Math.max(
        text.right - box.right,
        box.left - text.left,
        text.bottom - box.bottom,
        box.top - text.top,
      )
      if (over > 2 && text.width > 0 && !(isTold(element) && style.textOverflow === 'ellipsis'))
        found.push(`out of its button by ${over.toFixed(0)} px: ${said(element)}`)
    }
    if (text.right > innerWidth + 1 && shown(element).right > innerWidth + 1)
      found.push(`out of the page: ${said(element)}`)
  }
  // what lies under a dialog or a menu cannot be pressed
  const over = [...document.querySelectorAll('.v-overlay--active:not(.v-tooltip) .v-overlay__content')].at(-1)
  const pressed = [
    ...(over ?? document.body).querySelectorAll('button, a[href], input, [role=slider], [role=tab]'),
  ]
    .filter((element) => isSeen(element) && !element.closest('.face, .lane-canvas'))
    .map((element) => ({ element, box: shown(element) }))
    .filter(({ box }) => !isTiny(box) && box.bottom > 0 && box.top < innerHeight)
  for (const [i, a] of pressed.entries())
    for (const b of pressed.slice(i + 1)) {
      if (a.element.contains(b.element) || b.element.contains(a.element)) continue
      const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left)
      const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top)
      if (across > 3 && down > 3)
        found.push(
          `on each other: ${said(a.element)} and ${said(b.element)} ${b.element.getAttribute('aria-label') ?? ''}`,
        )
    }
  const wide = document.documentElement.scrollWidth - innerWidth
  if (wide > 0) found.push(`the page is ${wide} px too wide`)
  return [...new Set(found)]
}
