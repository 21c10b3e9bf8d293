import type { SmallPictures } from '@rudlo/core/term'
import { expect, it, vi } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { byEitherHand } from '../../test/desk/screens'
import { atRoom } from '../../test/room/room'
import RankedChart from './RankedChart.vue'
import StampPicture from './StampPicture.vue'
import StripChart from './StripChart.vue'
import WeekChart from './WeekChart.vue'

const drawn = (test: string) => page.getByTestId(test).element().querySelectorAll('svg path').length
const walked = (test: string) => page.getByTestId(test).getByRole('application')
const said = (test: string) => page.getByTestId(test).getByRole('status')
const focus = (test: string) => (walked(test).element() as HTMLElement).focus()

byEitherHand('the figures of a class', () => {
  it('are ranked: keys walk through them and open one, a table says the same', async () => {
    const open = vi.fn()
    const bars = [
      { id: 'late', name: 'Too late for the entry', count: 6, weight: 2 },
      { id: 'drift', name: 'It drifts over the song', count: 2, weight: 3 },
    ]
    await atRoom(RankedChart, {
      label: 'Mistakes',
      counted: 'Students',
      bars,
      of: 14,
      test: 'r',
      opens: true,
      onOpen: open,
    })
    await expect.poll(() => drawn('r')).toBeGreaterThan(3)
    await expect.element(page.getByTestId('r')).toHaveTextContent('Too late for the entry')
    focus('r')
    await userEvent.keyboard('{ArrowDown}')
    await expect.element(said('r')).toHaveTextContent('Too late for the entry: 6 of 14')
    await userEvent.keyboard('{End}')
    await expect.element(said('r')).toHaveTextContent('It drifts over the song: 2 of 14')
    await userEvent.keyboard('{Enter}')
    expect(open).toHaveBeenCalledExactlyOnceWith('drift')
    await page.getByTestId('r-table').click()
    await expect.element(page.getByRole('table')).toHaveTextContent('It drifts over the song2 of 14')
  })

  it('lie in strips in the order of what was measured, with who is who for those who walk through', async () => {
    const open = vi.fn()
    const dots = [
      { id: 'b', who: 'Ben', value: 5, met: false },
      { id: 'a', who: 'Anna', value: 3.5, met: true },
    ]
    const given = {
      label: 'Length',
      dots,
      low: 3,
      high: 5,
      step: 0.1,
      say: (v: number) => `${v.toFixed(1)} bars`,
    }
    await atRoom(StripChart, { ...given, test: 's', opens: true, onOpen: open })
    await expect.poll(() => drawn('s')).toBeGreaterThan(2)
    focus('s')
    await userEvent.keyboard('{Home}')
    await expect.element(said('s')).toHaveTextContent('Anna: 3.5 bars')
    await userEvent.keyboard('{ArrowRight}{Enter}')
    expect(open).toHaveBeenCalledExactlyOnceWith('b')
    await page.getByTestId('s-table').click()
    await expect.element(page.getByRole('table')).toHaveTextContent('StudentMeasuredAnna3.5 barsBen5.0 bars')
  })

  it('of one student are weeks, and pictures as large as a stamp', async () => {
    await atRoom(WeekChart, {
      weeks: [
        { name: 'Sep 7', minutes: 12 },
        { name: 'Sep 14', minutes: 1 },
      ],
    })
    await expect.poll(() => drawn('weeks')).toBeGreaterThan(2)
    focus('weeks')
    await userEvent.keyboard('{End}')
    await expect.element(said('weeks')).toHaveTextContent('Week of Sep 14: 1 minute')
    const pictures: SmallPictures = {
      fade: { loss: [0, 10, null, 40], off: 1 },
      build: { adds: [0, 1, 3], grows: 3 },
      balance: null,
    }
    await atRoom(StampPicture, { kind: 'fade', pictures, label: 'Best fade' })
    const stamp = page.getByRole('img', { name: 'Best fade' })
    // where nothing is heard the line is broken
    await expect
      .poll(() => stamp.element().querySelector('path')!.getAttribute('d')!.match(/M/g)!.length)
      .toBe(2)
  })
})
