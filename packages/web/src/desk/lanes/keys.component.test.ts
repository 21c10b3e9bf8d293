import { expect, it } from 'vitest'
import { atDesk } from '../../../test/desk/desk'
import { onScreens } from '../../../test/desk/screens'

onScreens('by keys, bars', () => {
  it('are selected, lowered, faded, copied, pasted and shaped', async () => {
    const ines = await atDesk()
    const before = ines.points.length
    await ines.atBar(9)
    await ines.keysAt('line', '2')
    await expect.element(ines.at('bars-surface')).toHaveFocus()
    await ines.keys('ArrowRight', 'ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowRight')
    await expect.element(ines.said('bars-surface')).toHaveTextContent('Bars 10 to 12 chosen')
    await ines.keys('Shift+ArrowLeft')
    await expect.element(ines.said('bars-surface')).toHaveTextContent('Bars 10 to 11 chosen')
    for (const act of ['lower', 'move-fade out', 'raise']) {
      await ines.enter(act)
      await expect.poll(() => ines.steps).toBe(1)
      await ines.undo()
    }
    expect(ines.points).toHaveLength(before)
    await ines.enter('lower')
    await ines.enter('copy')
    await ines.atBar(14)
    const lowered = ines.points.length
    await ines.enter('paste')
    await expect.poll(() => ines.points.length).toBeGreaterThan(lowered)
    await ines.undo()
    await ines.enter('shapes')
    await ines.enter('shape-wave')
    await expect.poll(() => ines.points.length).toBeGreaterThan(lowered)
    const shaped = ines.points.length
    await ines.at('shape-cycles').getByRole('textbox').fill('5')
    await ines.keys('Enter')
    await ines.keysAt('handle-depth', 'ArrowUp')
    await ines.keysAt('handle-middle', 'ArrowDown')
    expect(ines.points.length).toBeGreaterThan(shaped)
  })
})

onScreens('by keys, points', () => {
  it('are reached, moved, added and removed, and it is said where they are', async () => {
    const ayla = await atDesk()
    const before = ayla.points.length
    await ayla.keysAt('line', 'PageDown')
    await expect.element(ayla.said('line')).toHaveTextContent(/^Point 1 of 5: .*, bar 1, beat 1$/)
    const was = ayla.points[0]!.value
    await ayla.keys('ArrowUp', 'Shift+ArrowUp')
    expect(ayla.points[0]!.value).toBeCloseTo(was + 1.1, 5)
    await ayla.keys('ArrowRight')
    await expect.element(ayla.field('Place')).toHaveValue('1.2')
    await ayla.atBar(9)
    await ayla.keysAt('line', 'Enter')
    await expect.element(ayla.field('Place')).toHaveValue('9.1')
    expect(ayla.points).toHaveLength(before + 1)
    await ayla.keys('Delete')
    expect(ayla.points).toHaveLength(before)
  })

  it('are chosen, moved and removed together, and the line after one is bent', async () => {
    const ines = await atDesk()
    const before = ines.points.length
    for (const bar of [12, 13, 14]) {
      await ines.atBar(bar)
      await ines.keysAt('line', 'Enter', 'ArrowDown')
    }
    await ines.keys('Shift+PageUp', 'Shift+PageUp')
    await expect.element(ines.said('line')).toHaveTextContent(/^3 points chosen/)
    const values = ines.points.map((p) => p.value)
    await ines.keys('ArrowDown')
    expect(ines.points.map((p) => p.value)).not.toEqual(values)
    await ines.keys('Delete')
    expect(ines.points).toHaveLength(before)
    await ines.undo()
    expect(ines.points).toHaveLength(before + 3)
    await ines.keys('Home', 'PageDown', 'ArrowDown', 'ArrowDown', 'ArrowDown', 'PageUp')
    const steps = ines.steps
    await ines.keys('Alt+ArrowUp', 'Alt+ArrowUp')
    expect(ines.work.history.done.slice(steps).map((s) => s.label.slice(0, 4))).toEqual(['Bent', 'Bent'])
  })
})

onScreens('by keys', () => {
  it('a pen is put down, drawn with, lifted and taken back by keys', async () => {
    const ines = await atDesk()
    const before = ines.points.length
    await ines.atBar(12)
    await ines.keysAt('line', '3')
    await expect.element(ines.at('freehand-surface')).toHaveFocus()
    await expect.element(ines.said('freehand-surface')).toHaveTextContent('Pen up')
    await ines.keys('Enter')
    for (let i = 0; i < 6; i++) await ines.keys('ArrowRight', 'ArrowDown', 'ArrowDown')
    await expect.element(ines.said('freehand-surface')).toHaveTextContent(/^Pen down: .* dB, bar 13, beat 3$/)
    await ines.keys('Enter')
    expect(ines.steps).toBe(1)
    const drawn = ines.points.length
    expect(drawn).toBeGreaterThan(before)
    await ines.keys('Enter', 'ArrowRight', 'ArrowUp', 'ArrowRight', 'Escape')
    await expect.element(ines.said('freehand-surface')).toHaveTextContent('Pen up')
    expect(ines.points).toHaveLength(drawn)
  })

  it('cells are given values and cleared by keys; those of a switch are turned over', async () => {
    const ines = await atDesk({ free: true })
    const before = ines.points.length
    await ines.atBar(14)
    await ines.keysAt('line', '4')
    await expect.element(ines.at('cells-surface')).toHaveFocus()
    await ines.keys('ArrowDown', 'ArrowDown', 'ArrowRight', 'ArrowUp')
    await expect.element(ines.said('cells-surface')).toHaveTextContent(/^bar 14, beat 2: .* dB$/)
    const drawn = ines.points.length
    expect(drawn).toBeGreaterThan(before + 2)
    await ines.keys('Delete')
    await expect.poll(() => ines.points.length).toBeLessThan(drawn)
    ines.desk.address = 'track/squeezebox/mute'
    await ines.keysAt('cells-surface', 'Enter')
    await expect.element(ines.said('cells-surface')).toHaveTextContent(/: on$/)
    await ines.keys('ArrowRight')
    await expect.element(ines.said('cells-surface')).toHaveTextContent(/: off$/)
  })

  it('regions are moved with their lines, split and trimmed by keys', async () => {
    const ines = await atDesk()
    await ines.keysAt('region', 'ArrowRight')
    await expect.element(ines.at('region-question')).toBeVisible()
    await ines.enter('along-moved')
    await expect.poll(() => ines.steps).toBe(1)
    await ines.undo()
    await ines.atBar(8)
    await ines.enter('region-menu')
    await ines.enter('region-split')
    await expect.poll(() => ines.work.mix!.tracks[0]!.regions.length).toBe(2)
  })
})
