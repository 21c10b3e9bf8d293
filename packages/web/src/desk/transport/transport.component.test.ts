import { songTime } from '@rudlo/core/song'
import { expect, it } from 'vitest'
import { page } from 'vitest/browser'
import { defineComponent, h } from 'vue'
import { BAR } from '../../../test/desk/desk'
import { deskSong } from '../../../test/desk/song'
import { byEitherHand } from '../../../test/desk/screens'
import { atRoom } from '../../../test/room/room'
import { usePlayer } from '../../engine/player-store'
import DeskTools from '../lanes/DeskTools.vue'
import TransportBar from './TransportBar.vue'

const time = songTime(deskSong)
/** The bar as it lies under the desk. */
const Bar = defineComponent(() => () => h(TransportBar, { time }, () => h(DeskTools)))

/** Where everything in the bar that is in the row begins and ends, from the left. */
function row(): { left: number; right: number }[] {
  const parts = [...document.querySelectorAll('.transport > :not(.news, .push)')]
  return parts.map((part) => part.getBoundingClientRect()).filter(({ width }) => width > 0)
}

byEitherHand('the bar under the desk', () => {
  it('has room for a loop and for both choices, and what it has to say moves nothing', async () => {
    await atRoom(Bar, {})
    const player = usePlayer()
    player.loop = { from: BAR, to: 12 * BAR }
    player.looping = true
    await expect.element(page.getByTestId('loop')).toHaveAccessibleName('Loop bars 2 to 12')
    const before = row()
    for (let i = 1; i < before.length; i++)
      expect(before[i]!.left, `part ${i}`).toBeGreaterThanOrEqual(before[i - 1]!.right)
    expect(before.at(-1)!.right).toBeLessThanOrEqual(innerWidth)
    for (const choice of ['moves-on', 'moves-off']) {
      const text = page.getByTestId(choice).element().querySelector('.v-btn__content')!
      expect(text.scrollWidth, choice).toBeLessThanOrEqual(text.clientWidth)
    }
    player.stuttered = true
    await expect.element(page.getByTestId('stuttered')).toBeVisible()
    expect(row()).toEqual(before)
  })
})
