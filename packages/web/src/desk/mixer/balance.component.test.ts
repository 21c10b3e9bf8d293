import { expect, it } from 'vitest'
import { page, userEvent, type Locator } from 'vitest/browser'
import { atDesk, type DeskPerson } from '../../../test/desk/desk'
import { drag } from '../../../test/desk/hand'
import { byEitherHand } from '../../../test/desk/screens'

/** Somebody who looks at the balance. */
async function atBalance(): Promise<DeskPerson> {
  const petra = await atDesk({ free: true, view: 'balance' })
  await expect.element(petra.at('row-harp')).toBeVisible()
  return petra
}

const slider = (name: string) => page.getByRole('slider', { name, exact: true })
const fader = (of: string) => slider(`Volume of ${of}`)
const button = (name: string | RegExp) => page.getByRole('button', { name })

/** Takes a slider by its knob and drags it a share of its width. */
async function dragBy(control: Locator, share: number): Promise<void> {
  const element = control.element()
  element.scrollIntoView({ block: 'nearest' })
  const box = element.getBoundingClientRect()
  const x = box.x + (Number(element.getAttribute('aria-valuenow')) / 100) * box.width
  const y = box.y + box.height / 2
  await drag([
    { x, y },
    { x: x + share * box.width, y },
  ])
}

byEitherHand('a fader', () => {
  it('is dragged, as one step, and nudged, typed and wheeled', async () => {
    const petra = await atBalance()
    // nothing is measured yet, which is not the same as silence
    await expect.element(petra.at('row-harp')).not.toHaveTextContent('silent')
    const harp = fader('Harp')
    await petra.oneStep(() => dragBy(harp, -0.2))
    await expect.element(harp).toHaveAttribute('aria-valuetext', expect.stringMatching(/^−\d+\.\d dB$/))
    const text = petra.field('Volume of Harp as text')
    await text.fill('-8')
    await petra.keys('Enter')
    ;(harp.element() as HTMLElement).focus()
    await petra.keys('ArrowUp', 'Shift+ArrowUp')
    await expect.element(text).toHaveValue('−6.9 dB')
    harp.element().dispatchEvent(new WheelEvent('wheel', { deltaY: 100, bubbles: true, cancelable: true }))
    await expect.element(text).toHaveValue('−7.9 dB')
    await text.fill('very loud')
    await petra.keys('Enter')
    await expect.element(petra.at('notice')).toHaveTextContent('“very loud” does not work here')
    await expect.element(text).toHaveValue('−7.9 dB')
    await petra.click('start-again')
    await expect.element(text).toHaveValue('0.0 dB')
    await petra.undo()
    await expect.element(text).toHaveValue('−7.9 dB')
  })

  it('goes back to its default, or to the starting mix, by its own menu, which leads to its line', async () => {
    const petra = await atBalance()
    const volume = fader('Harp')
    const menu = () => userEvent.click(volume, { button: 'right' })
    const start = volume.element().getAttribute('aria-valuetext')!
    await dragBy(volume, -0.3)
    await menu()
    await page.getByRole('menuitem', { name: /^Reset to its default/ }).click()
    await expect.element(volume).toHaveAttribute('aria-valuetext', '0.0 dB')
    await dragBy(volume, -0.3)
    await menu()
    await petra.click('restore-control')
    await expect.element(volume).toHaveAttribute('aria-valuetext', start)
    await menu()
    await petra.click('show-line')
    await expect.element(page.getByRole('heading', { name: 'Harp' })).toBeVisible()
  })

  it('in a card is typed and muted too', async () => {
    const petra = await atDesk({ free: true })
    const text = petra.field('Volume of Harp as text')
    await text.fill('-11.5')
    await petra.keys('Enter')
    await expect.element(fader('Harp')).toHaveAttribute('aria-valuetext', '−11.5 dB')
    const mute = button('Mute Harp')
    await petra.oneStep(() => mute.click())
    await expect.element(mute).toHaveAttribute('aria-pressed', 'true')
  })

  it('that a line is in charge of says why nothing changes, and leads to the line', async () => {
    const petra = await atBalance()
    await dragBy(fader('Squeezebox'), -0.1)
    await expect.element(petra.at('why')).toHaveTextContent('line')
    await button('Show its line').last().click()
    await expect.element(page.getByRole('heading', { name: 'Squeezebox' })).toBeVisible()
  })
})

byEitherHand('the main output', () => {
  it('has its fader, which is one step, and its line among those of every track', async () => {
    const petra = await atBalance()
    await petra.oneStep(() => dragBy(fader('Main output'), -0.2))
    expect(petra.work.mix!.main.level).toBeLessThan(0)
    petra.desk.view = 'lines'
    await petra.click('lane-chooser')
    await petra.click('lane-main/level')
    await expect.element(page.getByRole('heading', { name: 'Main output' })).toBeVisible()
    await petra.drag([0.5, 0.7], [0.5, 0.4])
    expect(petra.work.envelope('main/level')!.points.length).toBeGreaterThan(0)
  })
})

byEitherHand('returns and sends', () => {
  it('are added, taken before the fader, switched off and taken out, each as one step', async () => {
    const petra = await atBalance()
    const add = async (kind: string) => {
      await petra.click('add-return')
      await petra.click(`return-${kind}`)
    }
    await petra.oneStep(() => add('reverb'))
    await add('delay')
    await petra.oneStep(() => button('Send Harp to Delay').click())
    // a return feeds those behind it, never the other way round
    await expect.element(button('Send Reverb to Delay')).toBeVisible()
    await expect.element(button('Send Delay to Reverb')).not.toBeInTheDocument()
    await petra.click('send-more')
    await petra.click('tap-pre')
    await expect.element(petra.at('send-more')).toHaveTextContent('pre')
    const on = button('Send of Harp to Delay on')
    await on.click()
    await expect.element(on).toHaveAttribute('aria-pressed', 'false')
    await petra.click('remove-send')
    await expect.element(button('Send Harp to Delay')).toBeVisible()
    await petra.oneStep(() => button('Remove').first().click())
  })
})

byEitherHand('effects', () => {
  it('show what they do, are named and moved, and a track goes back to its start', async () => {
    const petra = await atBalance()
    await button(/^FX of Whistle/).click()
    for (const name of ['EQ', 'Chopper', 'Reverb']) await button(`+ ${name}`).click()
    await expect.element(page.getByRole('img', { name: 'When it is open' })).toBeVisible()
    const curve = () =>
      page.getByRole('img', { name: 'What it does to low and high sounds' }).element().querySelector('.line')!
    const flat = curve().getAttribute('d')
    ;(slider('Bell gain of EQ').element() as HTMLElement).focus()
    await petra.keys('ArrowUp')
    await expect.poll(() => curve().getAttribute('d')).not.toBe(flat)
    const chain = () => petra.work.mix!.tracks[1]!.effects.map((e) => e.kind)
    expect(chain()).toEqual(['eq', 'chopper', 'reverb'])
    await petra.oneStep(() => button('Move Reverb up').click())
    expect(chain()).toEqual(['eq', 'reverb', 'chopper'])
    await petra.field('Name of effect 1').fill('Air')
    await petra.keys('Enter')
    await expect.element(slider('Bell gain of Air')).toBeInTheDocument()
    await petra.click('restore-track')
    await expect.element(page.getByText('No effects yet')).toBeVisible()
    await button('Done').click()
    expect(chain()).toEqual([])
  })
})
