import { describe, expect, it } from 'vitest'
import { by, drag, pinch, press, type Place } from '../../../test/desk/hand'
import { atDesk, type DeskPerson } from '../../../test/desk/desk'
import { onScreens } from '../../../test/desk/screens'

/** Ways of working on a lane, each with the surface that its hand works on. */
const WAYS = [
  ['points', 'line'],
  ['bars', 'bars-surface'],
  ['freehand', 'freehand-surface'],
  ['cells', 'cells-surface'],
] as const

async function workingBy(hand: (typeof WAYS)[number][0], surface: string) {
  const milan = await atDesk({ free: true })
  milan.desk.hand = hand
  await expect.element(milan.at(surface)).toBeVisible()
  const face = milan.at(surface).element()
  const box = face.getBoundingClientRect()
  const at = (x: number, y: number): Place => ({ x: box.x + x * box.width, y: box.y + y * box.height })
  return { milan, face, at }
}

const shown = ({ desk }: DeskPerson) => desk.span.to - desk.span.from

onScreens('a lane', () => {
  describe.each(WAYS)('by %s', (hand, surface) => {
    it('the wheel looks closer, further and to the side, and leaves up and down to the page', async () => {
      const { milan, face, at } = await workingBy(hand, surface)
      const turn = (how: WheelEventInit) => {
        const { x: clientX, y: clientY } = at(0.5, 0.5)
        const event = new WheelEvent('wheel', { bubbles: true, cancelable: true, clientX, clientY, ...how })
        face.dispatchEvent(event)
        return event.defaultPrevented
      }
      const whole = shown(milan)
      expect(turn({ deltaY: -240, ctrlKey: true })).toBe(true)
      expect(shown(milan)).toBeLessThan(whole * 0.5)
      const { from } = milan.desk.span
      expect(turn({ deltaX: 40 })).toBe(true)
      expect(milan.desk.span.from).toBeGreaterThan(from)
      expect(turn({ deltaY: -120, altKey: true })).toBe(true)
      await expect.element(milan.at('all-values')).toBeVisible()
      const now = milan.desk.span
      expect(turn({ deltaY: 100 })).toBe(false)
      expect(milan.desk.span).toEqual(now)
      expect(milan.steps).toBe(0)
    })

    if (by === 'finger')
      it('a second finger gives up what the first had begun, and looks closer', async () => {
        const { milan, at } = await workingBy(hand, surface)
        const [before, whole] = [milan.work.mix, shown(milan)]
        await pinch({ from: [at(0.6, 0.3), at(0.65, 0.3)], to: [at(0.5, 0.3), at(0.75, 0.3)] })
        await expect.poll(() => shown(milan)).toBeLessThan(whole * 0.6)
        expect(milan.work.mix).toEqual(before)
        expect(milan.steps).toBe(0)
      })

    it('what is taken is followed beyond the lane, and keys go on where the hand was', async () => {
      const { milan, face, at } = await workingBy(hand, surface)
      await drag([at(0.7, 0.4), at(0.75, 0.5), at(0.8, 1.3)])
      await expect.element(milan.at(surface)).toHaveFocus()
      expect(document.activeElement).toBe(face)
      if (hand === 'bars') expect(milan.desk.selection).not.toBeNull()
      else await expect.poll(() => milan.steps).toBe(1)
      await press(at(0.3, 0.5))
    })
  })
})
