import { point } from '@rudlo/core/envelope'
import { withPoints } from '@rudlo/core/mix'
import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { atDesk, BAR, LEVEL } from '../../../test/desk/desk'
import { byEitherHand } from '../../../test/desk/screens'

const PAN = 'track/squeezebox/pan'

byEitherHand('all lines of a track', () => {
  it('lie one under the other with the play position in each, and one of them leads to its lane', async () => {
    const tobin = await atDesk({ free: true })
    tobin.work.setMix((mix) => withPoints(mix, PAN, [point(0, -1), point(8 * BAR, 1)], () => 'pan'), {
      label: 'Drew',
      lanes: [PAN],
      from: 0,
      to: 8 * BAR,
    })
    await tobin.click('all-lines-squeezebox')
    const list = tobin.at('line-list')
    await expect.element(list).toBeVisible()
    await expect.element(page.getByRole('heading', { name: 'All lines of Squeezebox' })).toBeVisible()
    await expect.element(tobin.at(`list-${LEVEL}`)).toHaveTextContent('5 points')
    // a press goes there, and says what each line has there
    const face = list.getByTestId('span-picker').last().element().getBoundingClientRect()
    await tobin.stroke([{ x: face.x + face.width / 2, y: face.y + face.height / 2 }])
    await expect.poll(() => tobin.desk.song && Math.abs(tobin.position() - 8 * BAR)).toBeLessThan(2 * BAR)
    expect(list.element().querySelectorAll('.play-position')).toHaveLength(2)
    await tobin.click(`list-${PAN}`)
    await expect.poll(() => tobin.desk.address).toBe(PAN)
    await expect.element(list).not.toBeInTheDocument()
  })

  it('are found in the list of lanes, and there may be none', async () => {
    const tobin = await atDesk({ free: true })
    await tobin.chooseTrack('harp')
    await tobin.click('lane-chooser')
    await tobin.click('all-lines')
    await expect.element(tobin.at('line-list')).toHaveTextContent('Harp has no line yet')
    await tobin.click('close-lines')
    await expect.element(tobin.at('line').first()).toBeVisible()
  })
})
