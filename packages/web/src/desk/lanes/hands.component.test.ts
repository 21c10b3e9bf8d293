import { describe, expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk, LEVEL } from '../../../test/desk/desk'

describe('a pen', () => {
  it('draws a line freely, as one step with few points', async () => {
    const milan = await atDesk({ free: true })
    milan.desk.address = 'track/harp/pan'
    await milan.click('hand-freehand')
    await milan.oneStep(() => milan.drag([0.2, 0.3], [0.5, 0.7]))
    expect(milan.points.length).toBeGreaterThan(1)
    expect(milan.points.length).toBeLessThan(30)
  })
})

describe('cells', () => {
  it('take one value each; of a switch they turn over', async () => {
    const milan = await atDesk({ free: true })
    const before = milan.points.length
    await milan.click('hand-cells')
    await milan.oneStep(() => milan.drag([0.7, 0.4], [0.8, 0.6]))
    expect(milan.points.length).toBeGreaterThan(before + 2)
    milan.desk.address = 'track/squeezebox/mute'
    await milan.press(0.5, 0.5)
    await expect.poll(() => milan.points.map((p) => p.value)).toContain(1)
  })
})

describe('regions', () => {
  it('are moved, and their lines go along where that is wished; they are split and trimmed', async () => {
    const milan = await atDesk()
    await expect.element(milan.at('region')).toBeVisible()
    const bar = milan.at('region').element().getBoundingClientRect()
    await milan.stroke([
      { x: bar.x + 200, y: bar.y + 6 },
      { x: bar.x + 260, y: bar.y + 7 },
    ])
    await expect.element(milan.at('region-question')).toBeVisible()
    await milan.click('along-moved')
    await expect
      .poll(() => milan.work.history.done.map((s) => s.label))
      .toEqual([expect.stringMatching(/^Moved a region, lines moved too/)])
    await milan.undo()
    await milan.goTo(0.4)
    await milan.click('region-menu')
    await milan.click('region-split')
    await expect.poll(() => milan.work.mix!.tracks[0]!.regions.length).toBe(2)
    await milan.oneStep(() =>
      milan.dragAway(milan.at('region-end').last().element(), { x: -bar.width * 0.1, y: 0 }),
    )
  })
})

describe('lanes', () => {
  it('lie on the desk, up to four of them, and hiding one says that it goes on sounding', async () => {
    const milan = await atDesk({ free: true })
    for (const [search, lane] of [
      ['squeezebox pan', 'track/squeezebox/pan'],
      ['tide volume', 'track/tide/level'],
      ['harp volume', 'track/harp/level'],
    ] as const) {
      await milan.click('lane-chooser')
      await page.getByLabelText('Search all lanes').fill(search)
      await milan.at(`beside-${lane}`).click()
      await expect.element(page.getByLabelText('Search all lanes')).not.toBeInTheDocument()
      await expect.poll(() => milan.desk.address).toBe(lane)
    }
    expect(milan.desk.lanes).toHaveLength(4)
    milan.desk.hideLane('track/tide/level')
    await expect.element(milan.at('notice')).toHaveTextContent('the line goes on sounding.')
    expect(milan.desk.lanes).toHaveLength(3)
    // a press on a lane beside works on that one
    await milan
      .at('line-beside')
      .first()
      .click({ position: { x: 300, y: 20 } })
    await expect.poll(() => milan.desk.address).toBe(LEVEL)
  })

  it('come to the desk when their control is touched, unless that is not wanted', async () => {
    const milan = await atDesk()
    milan.desk.touch('track/harp/level')
    await expect.element(page.getByRole('heading', { name: 'Harp' })).toBeVisible()
    milan.desk.follows = false
    milan.desk.touch('track/whistle/level')
    expect(milan.desk.address).toBe('track/harp/level')
  })
})
