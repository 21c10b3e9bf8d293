import { describe, expect, it } from 'vitest'
import { atDesk, BAR } from '../../../test/desk/desk'
import { by, press } from '../../../test/desk/hand'
import { onScreens } from '../../../test/desk/screens'

const FINGER = 44
const TARGETS =
  'button, a[href], input, select, [role=slider], [role=radio], [role=checkbox], [role=combobox], [role=menuitem]'

/** How far a finger may be beside an element and still mean it, by what lies around it without being seen. */
function reach(element: Element): number {
  return Math.max(
    ...['::before', '::after'].map((part) => {
      const { content, inset } = getComputedStyle(element, part)
      return content === 'none' ? 0 : -Math.min(0, parseFloat(inset) || 0)
    }),
  )
}

/** What a finger can hit, and is smaller than one. */
function small(within: Element): string[] {
  return [...within.querySelectorAll(TARGETS)].flatMap((element) => {
    const seen = element.closest('label, .v-field, .v-selection-control') ?? element
    const box = (element.matches('input') ? seen : element).getBoundingClientRect()
    if (!box.width || !box.height || getComputedStyle(element).visibility === 'hidden') return []
    const size = Math.min(box.width, box.height) + 2 * reach(element)
    return size < FINGER - 0.5
      ? [`${element.getAttribute('aria-label') ?? element.textContent}: ${size}`]
      : []
  })
}

const smallOnDesk = () => small(document.querySelector('.test-desk')!)

if (by === 'finger')
  onScreens('a finger', () => {
    it('finds everything large enough: lanes, a point, bars, a shape, the balance', async () => {
      const ayla = await atDesk({ free: true })
      expect(smallOnDesk()).toEqual([])
      await ayla.keysAt('line', 'PageDown')
      expect(smallOnDesk()).toEqual([])
      await ayla.click('hand-bars')
      await ayla.click('task-bars')
      expect(smallOnDesk()).toEqual([])
      await ayla.click('shapes')
      await ayla.click('shape-wave')
      expect(smallOnDesk()).toEqual([])
      ayla.desk.view = 'balance'
      await expect.element(ayla.at('row-harp')).toBeVisible()
      expect(smallOnDesk()).toEqual([])
    })

    it('sees bars as wide as itself before it chooses any', async () => {
      const ayla = await atDesk({ free: true, lanes: ['track/tide/level'], bars: [6 * BAR, 8 * BAR] })
      await ayla.click('hand-bars')
      const face = () => ayla.at('bars-surface').element().getBoundingClientRect()
      const { from, to } = ayla.desk.span
      const width = ((face().width - 74) * BAR) / (to - from)
      expect(width).toBeGreaterThanOrEqual(FINGER - 1)
      expect(from).toBeLessThanOrEqual(6 * BAR)
      // a press takes the bar that it is on
      await press({ x: face().x + 14 + ((6.5 * BAR - from) / BAR) * width, y: face().y + 150 })
      await expect.poll(() => ayla.desk.selection).toEqual({ from: 6 * BAR, to: 7 * BAR })
    })
  })
else
  describe('a mouse', () => {
    it('looks at bars as they are', async () => {
      const ayla = await atDesk({ free: true })
      const { span } = ayla.desk
      await ayla.click('hand-bars')
      expect(ayla.desk.span).toBe(span)
    })
  })
