import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk, LEVEL } from '../../../test/desk/desk'
import { byEitherHand } from '../../../test/desk/screens'

byEitherHand('a pen', () => {
  it('draws a line freely, as one step with few points', async () => {
    const milan = await atDesk({ free: true })
    milan.desk.address = 'track/harp/pan'
    await milan.click('hand-freehand')
    await milan.oneStep(() => milan.drag([0.2, 0.3], [0.5, 0.7]))
    expect(milan.points.length).toBeGreaterThan(1)
    expect(milan.points.length).toBeLessThan(30)
  })
})

byEitherHand('a pen on a switch', () => {
  it('draws on and off, cell by cell, and nothing between', async () => {
    const milan = await atDesk({ free: true })
    milan.desk.address = 'track/squeezebox/mute'
    await milan.click('hand-freehand')
    await expect.element(milan.at('cells-surface')).toBeVisible()
    await milan.oneStep(() => milan.drag([0.3, 0.9], [0.5, 0.9]))
    expect(new Set(milan.points.map((p) => p.value))).toEqual(new Set([0, 1]))
    const at = (share: number) => milan.desk.valueAt(milan.desk.address, share * milan.desk.song!.length)
    expect([at(0.1), at(0.4), at(0.8)]).toEqual([0, 1, 0])
  })
})

byEitherHand('cells', () => {
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

byEitherHand('regions', () => {
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
      .toEqual([expect.stringMatching(/^Moved a region .*, with its lines$/)])
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

byEitherHand('the sound behind a lane', () => {
  it('is turned down by its region, faded in by its corner, and goes back by a key', async () => {
    const bea = await atDesk()
    const region = bea.at('region')
    const fade = bea.at('region-fadeIn')
    await expect.element(region).toBeVisible()
    const box = region.element().getBoundingClientRect()
    await bea.oneStep(() =>
      bea.stroke([
        { x: box.x + 200, y: box.y + 6 },
        { x: box.x + 200, y: box.y + 46 },
      ]),
    )
    await expect.element(region).toHaveAttribute('aria-valuetext', '−6.0 dB')
    const corner = fade.element().getBoundingClientRect()
    await bea.oneStep(() =>
      bea.stroke([
        { x: corner.x + 5, y: corner.y + 5 },
        { x: corner.x + 105, y: corner.y + 5 },
      ]),
    )
    await expect.element(fade).not.toHaveAttribute('aria-valuetext', '0.00 s')
    await bea.undo()
    await expect.element(fade).toHaveAttribute('aria-valuetext', '0.00 s')
    await bea.keysAt('region', 'Home')
    await expect.element(region).toHaveAttribute('aria-valuetext', '0.0 dB')
  })
})

byEitherHand('lanes', () => {
  it('are found among all, opened outside the brief, switched off and cleared', async () => {
    const milan = await atDesk()
    await milan.click('lane-chooser')
    await page.getByLabelText('Search all lanes').fill('harp pan')
    await milan.click('lane-track/harp/pan')
    await expect.element(page.getByText('your task does not need it')).toBeVisible()
    await milan.press(0.5, 0.5)
    expect(milan.points).toHaveLength(0)
    await milan.click('open-lane')
    await milan.press(0.5, 0.7)
    await expect.poll(() => milan.points.length).toBe(2)
    // no point is chosen any more: what concerns the whole line is there again
    await milan.keysAt('line', 'Escape')
    await milan.oneStep(() => milan.click('line-on'))
    await expect.element(milan.at('line-on')).toHaveTextContent('Line off')
    await milan.undo()
    await milan.click('clear-menu')
    await milan.oneStep(() => milan.click('clear-lane'))
    expect(milan.points).toHaveLength(0)
  })

  it('of a song that was recorded leave the tempo out, and say why', async () => {
    const milan = await atDesk({ free: true })
    await milan.click('lane-chooser')
    await expect.element(milan.at('keeps-tempo')).toHaveTextContent('Squeezebox was recorded')
    await expect.element(milan.at('lane-song/tempo')).not.toBeInTheDocument()
  })

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
    await expect.element(milan.at('notice')).toHaveTextContent('the line still plays.')
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

  it('stay where a switch is pressed in passing, and are back where a touch that brought another is undone', async () => {
    const milan = await atDesk({ free: true })
    const before = milan.desk.address
    milan.desk.touch('track/harp/mute')
    expect(milan.desk.address).toBe(before)
    milan.desk.touch('track/harp/level')
    milan.work.setPoints('track/harp/level', [{ tick: 0, value: -3, form: 'straight', bend: 0 }], {
      label: 'Rode',
      lanes: ['track/harp/level'],
      from: 0,
      to: 0,
    })
    await expect.poll(() => milan.steps).toBe(1)
    milan.work.undo()
    await expect.poll(() => milan.desk.address).toBe(before)
  })
})
