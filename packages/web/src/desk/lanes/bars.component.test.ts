import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk, BAR, type DeskPerson } from '../../../test/desk/desk'
import { byEitherHand } from '../../../test/desk/screens'

/** Selects bars from one share of the song to another. */
async function selectBars(person: DeskPerson, from: number, to: number): Promise<void> {
  await person.click('hand-bars')
  await person.drag([from, 0.4], [to, 0.4])
  await expect.element(person.at('span-bar')).toHaveTextContent(/Bars? \d+/)
}

byEitherHand('bars', () => {
  it('are selected, lowered, raised, faded, cleared; each is one step', async () => {
    const milan = await atDesk()
    await selectBars(milan, 0.5, 0.62)
    for (const act of ['lower', 'raise', 'move-fade out', 'move-dip'])
      await milan.oneStep(() => milan.click(act))
    await milan.click('span-more')
    await milan.oneStep(() => milan.click('clear-span'))
  })

  it('are repeated, turned round, tilted, smoothed and moved; each is one step', async () => {
    const milan = await atDesk()
    await selectBars(milan, 0.05, 0.17)
    await milan.click('move-dip')
    await milan.click('span-more')
    for (const act of ['repeat', 'turn-round', 'tilt-up', 'smooth', 'bar-later', 'rest-later'])
      await milan.oneStep(() => milan.click(act))
  })

  it('are thinned: what lies on the line between others goes, as one step', async () => {
    const milan = await atDesk()
    const before = milan.points
    // in the middle of a straight piece
    await milan.atBar(3)
    await milan.keysAt('line', 'Enter')
    await expect.poll(() => milan.points.length).toBe(before.length + 1)
    milan.desk.select({ from: 0, to: 4 * BAR })
    await milan.click('span-more')
    await milan.oneStep(() => milan.click('thin'))
    const ticks = milan.points.map((p) => p.tick)
    expect(ticks).not.toContain(2 * BAR)
    expect(ticks).toEqual(expect.arrayContaining(before.map((p) => p.tick)))
  })

  it('that were copied are pasted at the play position, and refused on a lane of another kind', async () => {
    const milan = await atDesk({ free: true })
    await selectBars(milan, 0.05, 0.2)
    await milan.click('copy')
    await milan.goTo(0.8)
    await milan.oneStep(() => milan.click('paste'))
    milan.desk.address = 'track/squeezebox/pan'
    await selectBars(milan, 0.3, 0.5)
    await milan.click('paste')
    await expect.element(page.getByText('it means nothing for pan')).toBeVisible()
    expect(milan.points).toHaveLength(0)
  })

  it('are pasted into no lane that is locked', async () => {
    const milan = await atDesk()
    await selectBars(milan, 0.3, 0.4)
    await milan.click('copy')
    milan.desk.address = 'track/harp/level'
    await milan.click('span-select')
    await page.getByRole('menuitem', { name: 'The whole song' }).click()
    await milan.click('paste')
    await expect.element(page.getByText('is locked. Unlock it first.')).toBeVisible()
    expect(milan.points).toHaveLength(0)
  })

  it('of a switch are on or off, and nothing between', async () => {
    const milan = await atDesk({ free: true })
    milan.desk.address = 'track/squeezebox/mute'
    await selectBars(milan, 0.4, 0.6)
    await page.getByRole('button', { name: 'on here' }).click()
    await expect.poll(() => milan.points.length).toBeGreaterThan(1)
    const values = milan.points.map((p) => p.value)
    expect(new Set(values)).toEqual(new Set([0, 1]))
  })

  it('take a ready shape that stays adjustable by fields and handles, as one step', async () => {
    const milan = await atDesk()
    const before = milan.points.length
    await selectBars(milan, 0.5, 0.65)
    await milan.click('shapes')
    await milan.click('shape-wave')
    await expect.poll(() => milan.points.length).toBeGreaterThan(before)
    const once = milan.points.length
    await milan.at('shape-cycles').getByRole('textbox').fill('4')
    await milan.keys('Enter')
    await expect.poll(() => milan.points.length).toBeGreaterThan(once)
    // it speeds up: a field says how long the last one is, and so does its handle
    await milan.at('shape-last').getByRole('textbox').fill('1/4')
    await milan.keys('Enter')
    await expect.element(milan.at('shape-last').getByRole('textbox')).toHaveValue('1/4 beat')
    const gaps = () => milan.points.slice(1).map((p, i) => p.tick - milan.points[i]!.tick)
    await expect.poll(() => milan.points.length).toBeGreaterThan(once)
    expect(Math.min(...gaps())).toBeLessThan(300)
    const hasty = milan.points.length
    await milan.dragAway(milan.at('handle-last').element(), { x: -40, y: 0 })
    await expect.poll(() => milan.points.length).toBeLessThan(hasty)
    await milan.at('shape-first').getByRole('textbox').fill('soon')
    await milan.keys('Enter')
    await expect.element(milan.at('notice')).toHaveTextContent('“soon” does not work here')
    const shaped = milan.work.mix
    await milan.dragAway(milan.at('handle-depth').element(), { x: 0, y: -46 })
    await expect.poll(() => milan.work.mix).not.toEqual(shaped)
    await milan.keysAt('handle-middle', 'ArrowDown')
    expect(milan.steps).toBe(1)
    await milan.undo()
    expect(milan.points).toHaveLength(before)
    await expect.element(milan.at('shape-bar')).not.toBeInTheDocument()
  })

  it('take a ready move with another wish: it is made anew, and stays one step', async () => {
    const milan = await atDesk()
    await milan.click('hand-bars')
    milan.desk.select({ from: 10 * BAR, to: 12 * BAR })
    await milan.click('move-dip')
    const level = () => Math.round(milan.desk.valueAt(milan.desk.address, 11 * BAR))
    await expect.element(milan.at('move-wishes')).toBeVisible()
    const six = level()
    const amount = milan.at('move-amount').getByRole('spinbutton')
    await amount.fill('9')
    await milan.keys('Enter')
    await expect.poll(level).toBe(six - 3)
    expect(milan.steps).toBe(1)
    milan.work.undo()
    await expect.element(milan.at('move-wishes')).not.toBeInTheDocument()
  })

  it('let one track out as another comes in, as one step on both', async () => {
    const milan = await atDesk({ free: true })
    await milan.click('hand-bars')
    milan.desk.select({ from: 10 * BAR, to: 12 * BAR })
    await milan.click('cross')
    await milan.click('cross-tide')
    await expect.poll(() => milan.steps).toBe(1)
    const [out, into] = ['track/squeezebox/level', 'track/tide/level']
    expect([milan.desk.valueAt(out!, 12 * BAR), milan.desk.valueAt(into!, 10 * BAR)]).toEqual([-90, -90])
    expect(milan.desk.lanes.map((l) => l.address)).toEqual([out, into])
    await milan.undo()
    expect(milan.points).toHaveLength(0)
  })

  it('are kept as a motif, placed, followed, set free by hand and taken away while in use', async () => {
    const milan = await atDesk()
    await selectBars(milan, 0.05, 0.15)
    await milan.click('move-lift')
    await milan.click('motifs')
    await milan.field('Name for these bars').fill('Breath')
    await milan.click('keep-motif')
    await milan.keys('Escape')
    await milan.goTo(0.5)
    await expect.element(milan.field('Name for these bars')).not.toBeInTheDocument()
    const before = milan.points.length
    await milan.click('motifs')
    await milan.click('place-Breath')
    await expect.element(page.getByText('2 places')).toBeVisible()
    await milan.keys('Escape')
    expect(milan.points.length).toBeGreaterThan(before)
    // by hand: a point in the middle of the copy
    await milan.click('hand-points')
    await milan.press(0.55, 0.3)
    await expect.element(page.getByText('no longer follows “Breath”')).toBeVisible()
    await milan.click('hand-bars')
    await milan.click('motifs')
    await page.getByRole('button', { name: 'Delete the motif Breath' }).click()
    await expect.element(page.getByText('“Breath” is deleted. The 1 place that used it keeps')).toBeVisible()
  })

  it('of one place of a motif become what all places follow, that place among them', async () => {
    const milan = await atDesk()
    await milan.click('hand-bars')
    milan.desk.select({ from: BAR, to: 3 * BAR })
    await milan.click('move-lift')
    await milan.click('motifs')
    await milan.field('Name for these bars').fill('Breath')
    await milan.click('keep-motif')
    await milan.keys('Escape')
    await milan.atBar(11)
    await milan.click('motifs')
    await milan.click('place-Breath')
    await milan.keys('Escape')
    const heights = (bar: number) =>
      [0.5, 1, 1.5].map((after) =>
        Math.round(milan.desk.valueAt(milan.desk.address, (bar - 1 + after) * BAR)),
      )
    await expect.poll(() => heights(11)).toEqual(heights(2))
    // that place is edited, and stands alone
    milan.desk.select({ from: 10 * BAR, to: 12 * BAR })
    await milan.click('lower')
    await expect.poll(() => milan.work.mix!.placements.length).toBe(1)
    expect(heights(11)).not.toEqual(heights(2))
    const edited = heights(11)
    await milan.click('motifs')
    await page.getByRole('button', { name: 'Give it the shape of these bars' }).click()
    await expect.poll(() => milan.work.mix!.placements.length).toBe(2)
    expect([heights(2), heights(11)]).toEqual([edited, edited])
  })
})
