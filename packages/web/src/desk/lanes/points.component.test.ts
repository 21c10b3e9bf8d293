import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk, BAR, type DeskPerson } from '../../../test/desk/desk'
import { onScreens } from '../../../test/desk/screens'

/** A lane of one's own to draw on: there is room for a finger. */
async function onTide(): Promise<DeskPerson> {
  const ayla = await atDesk({ free: true })
  await ayla.chooseTrack('tide')
  await expect.poll(() => ayla.desk.address).toBe('track/tide/level')
  return ayla
}

onScreens('points', () => {
  it('are set, moved with their figures said, and removed; each is one step', async () => {
    const ayla = await onTide()
    await ayla.press(0.5, 0.5)
    // a line that begins has a point where the song does
    await expect.poll(() => ayla.points.length).toBe(2)
    const [, set] = ayla.points
    await ayla.oneStep(() => ayla.drag([0.5, 0.5], [0.56, 0.62]))
    const [, moved] = ayla.points
    expect(moved!.tick).toBeGreaterThan(set!.tick)
    expect(moved!.value).toBeGreaterThan(set!.value)
    await expect.element(ayla.said('line')).toHaveTextContent(/^Point 2 of 2: .* dB.*, bar \d+, beat [1-4]/)
    await ayla.oneStep(() => page.getByRole('button', { name: 'Remove' }).click())
    expect(ayla.points).toHaveLength(1)
  })

  it('take typed values: beyond the end is held there and said, nonsense changes nothing', async () => {
    const ayla = await onTide()
    await ayla.press(0.5, 0.5)
    const value = ayla.field('Value')
    await value.fill('+40')
    await ayla.keys('Enter')
    await expect.element(ayla.at('notice')).toHaveTextContent('beyond the end of the fader')
    await expect.element(value).toHaveValue('+6.0 dB')
    await value.fill('loud')
    await ayla.keys('Enter')
    await expect.element(ayla.at('notice')).toHaveTextContent('“loud” does not work here')
    await expect.element(value).toHaveValue('+6.0 dB')
    await value.fill('-6')
    await ayla.keys('Enter')
    await expect.element(value).toHaveValue('−6.0 dB')
  })

  it('are chosen by a box, moved, set and removed together; a span is bent by its middle', async () => {
    const milan = await onTide()
    for (const [x, y] of [
      [0.38, 0.5],
      [0.5, 0.6],
      [0.62, 0.5],
    ] as const)
      await milan.press(x, y)
    await expect.poll(() => milan.points.length).toBe(4)
    await milan.drag([0.35, 0.3], [0.65, 0.7], { choosing: true })
    await expect.element(milan.said('line')).toHaveTextContent(/^3 points chosen/)
    await milan.oneStep(() => milan.drag([0.5, 0.6], [0.5, 0.5]))
    await milan.at('set-to').selectOptions('silence (silent)')
    await milan.keysAt('line', 'Delete')
    await expect.poll(() => milan.points.length).toBe(1)
    for (let i = 0; i < 3; i++) await milan.undo()
    expect(milan.points).toHaveLength(4)
    await milan.keys('Escape')
    // the middle of the line after a point that is selected can be taken
    await milan.press(0.38, 0.5)
    const middle = () => document.querySelectorAll('.surface .middle')
    await expect.poll(() => middle().length).toBeGreaterThan(0)
    const steps = milan.steps
    await milan.dragAway([...middle()].at(-1)!, { x: 0, y: -40 })
    await expect.poll(() => milan.steps).toBe(steps + 1)
    expect(milan.work.history.done.at(-1)!.label).toMatch(/^Bent the line/)
  })

  it('lead on in a form that has its number, and is copied to others', async () => {
    const ayla = await atDesk()
    await ayla.keysAt('line', 'PageDown', 'PageDown')
    await ayla.click('form-early')
    const bend = ayla.at('bend')
    await expect.element(bend).toHaveValue('80 %')
    await bend.fill('65')
    await ayla.keys('Enter')
    await expect.element(bend).toHaveValue('65 %')
    await bend.fill('a lot')
    await ayla.keys('Enter')
    await expect.element(ayla.at('notice')).toHaveTextContent('“a lot” does not work here')
    const { form, bend: number } = ayla.points[1]!
    await ayla.click('copy-shape')
    // the two that follow take it, as one step
    await ayla.keysAt('line', 'PageDown', 'Shift+PageDown')
    await ayla.oneStep(() => ayla.click('give-shape'))
    expect(ayla.points.map((p) => [p.form, p.bend])).toEqual([
      ['straight', 0],
      [form, number],
      [form, number],
      [form, number],
      ['straight', 0],
    ])
    await ayla.click('form-soft')
    await expect.element(bend).toHaveValue('9 %')
  })

  it('of a lane that is locked are not set, and it is said', async () => {
    const ayla = await atDesk()
    await ayla.chooseTrack('harp')
    await ayla.press(0.5, 0.5)
    await expect.element(ayla.at('notice')).toHaveTextContent('Harp is locked')
    expect(ayla.points).toHaveLength(0)
  })

  it('are stamped at the play position, as a point or as a jump', async () => {
    const milan = await atDesk()
    const before = milan.points.length
    await milan.goTo(0.83)
    await milan.click('stamp')
    await milan.click('stamp-point')
    await expect.poll(() => milan.points.length).toBe(before + 1)
    await milan.undo()
    await milan.keysAt('line', 'Escape')
    await milan.click('stamp')
    await milan.click('stamp-jump')
    await expect.poll(() => milan.points.length).toBe(before + 2)
  })

  it('change the line only around them, from there on, or to their neighbours: as the lane says', async () => {
    const milan = await atDesk({ free: true, spread: 'near' })
    await milan.chooseTrack('tide')
    const values = (...ticks: number[]) =>
      ticks.map((tick) => Math.round(milan.desk.valueAt('track/tide/level', tick)))
    const [setting] = values(0)
    await milan.oneStep(() => milan.press(0.5, 0.3))
    const set = milan.points.find((p) => Math.round(p.value) !== setting)!
    // the song before it and after it sounds as it did
    expect(values(0, set.tick - BAR / 2, set.tick + BAR / 2, 30 * BAR)).toEqual(Array(4).fill(setting))
    expect(Math.round(set.value)).toBeLessThan(setting!)
    await milan.undo()
    // a hand that drags on takes the line along, and lets it go back after it
    await milan.oneStep(() => milan.drag([0.3, 0.3], [0.5, 0.3]))
    const held = milan.points.filter((p) => Math.abs(p.value - set.value) < 0.5).map((p) => p.tick)
    expect(held[1]! - held[0]!).toBeGreaterThan(2 * BAR)
    expect(values(held[0]! - BAR / 2, held[1]! + BAR / 2)).toEqual([setting, setting])
    expect(values((held[0]! + held[1]!) / 2)[0]).toBeLessThan(setting!)
    await milan.undo()
    await milan.click('spread-on')
    await milan.oneStep(() => milan.press(0.5, 0.3))
    expect(values(0, set.tick - BAR / 2)).toEqual([setting, setting])
    expect(values(30 * BAR)[0]).toBeLessThan(setting!)
    await milan.undo()
    await milan.click('spread-beside')
    await milan.oneStep(() => milan.press(0.5, 0.3))
    expect(milan.points).toHaveLength(2)
  })
})
