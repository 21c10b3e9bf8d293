import type { BuildPicture, FadePicture } from '@rudlo/core/heard'
import { songTime } from '@rudlo/core/song'
import { expect, it, vi } from 'vitest'
import { page, userEvent } from 'vitest/browser'
import { shallowReactive } from 'vue'
import { deskSong } from '../../test/desk/song'
import { press } from '../../test/desk/hand'
import { byEitherHand } from '../../test/desk/screens'
import { atRoom } from '../../test/room/room'
import BalanceField from './BalanceField.vue'
import BuildChart from './BuildChart.vue'
import CrossingChart from './CrossingChart.vue'
import FadeChart from './FadeChart.vue'
import LeadChart from './LeadChart.vue'

const BAR = 3840
const time = songTime(deskSong)

/** A fade out over bars 3 and 4, ten looks a second: half a LU a look. */
const fade: FadePicture = {
  way: 'out',
  start: 2 * BAR,
  end: 4 * BAR,
  first: 30,
  loss: Array.from({ length: 60 }, (_, i) => (i < 10 ? 0 : Math.max(-45, -(i - 10) * 1.2))),
  even: Array.from({ length: 60 }, (_, i) => (i < 10 || i > 50 ? null : -(i - 10))),
  heard: 2.1 * BAR,
  gone: 3.7 * BAR,
  still: null,
  steepest: { tick: 3 * BAR, speed: 12 },
}

const build: BuildPicture = {
  bars: [1, 2, 3].map((bar) => ({
    bar,
    from: (bar - 1) * BAR,
    to: bar * BAR,
    adds: bar - 2,
    lanes: { a: bar - 2.5 },
    together: 0.5,
    octaves: null,
  })),
  arrives: 3 * BAR,
  steepest: 2,
  falls: [],
  room: 3,
  after: -0.5,
  brightens: null,
  unsplit: 0,
}

const element = (test: string) => page.getByTestId(test).element()

byEitherHand('a picture of a fade', () => {
  it('is drawn anew where the fade changed and its place did not', async () => {
    const room = shallowReactive<Record<string, unknown>>({
      time,
      name: 'Tide',
      position: () => 3 * BAR,
      picture: fade,
    })
    await atRoom(FadeChart, room)
    const picture = page.getByTestId('fade-picture')
    await expect.element(picture).toHaveTextContent('gone')
    room['picture'] = { ...fade, gone: null }
    await expect.element(picture).not.toHaveTextContent('gone')
    room['picture'] = fade
    await expect.element(picture).toHaveTextContent('gone')
  })

  it('is drawn, is walked through by keys that say each place, and plays where it is pressed', async () => {
    const go = vi.fn()
    await atRoom(FadeChart, { picture: fade, time, name: 'Tide', position: () => 3 * BAR, onGo: go })
    const picture = page.getByTestId('fade-picture')
    await expect.element(picture).toHaveAttribute('aria-label', expect.stringContaining('Tide'))
    await expect.poll(() => element('fade-picture').querySelectorAll('svg path').length).toBeGreaterThan(3)
    await expect.element(picture).toHaveTextContent('gone')
    ;(element('fade-picture') as HTMLElement).focus()
    await userEvent.keyboard('{Home}')
    await expect.element(picture.getByRole('status')).toHaveTextContent('bar 2, beat')
    await userEvent.keyboard('{ArrowRight}{ArrowRight}{ArrowRight}')
    await expect.element(picture.getByRole('status')).toHaveTextContent(/bar 3.*LU$/)
    await userEvent.keyboard('{Enter}')
    expect(go).toHaveBeenCalledTimes(1)
    const box = element('fade-picture').getBoundingClientRect()
    await press({ x: box.x + 52 + (box.width - 66) / 2, y: box.y + 90 })
    expect(go).toHaveBeenCalledTimes(2)
    // the middle of what is shown
    expect(Math.abs(go.mock.lastCall![0] - 3.0 * BAR)).toBeLessThan(BAR)
  })
})

byEitherHand('a picture of a build', () => {
  it('has a column a bar, says who is who, and what each bar adds', async () => {
    const go = vi.fn()
    const nameOf = () => 'Squeezebox'
    await atRoom(BuildChart, { picture: build, time, grows: true, nameOf, position: () => 0, onGo: go })
    const picture = page.getByTestId('build-picture')
    await expect.element(page.getByText('Squeezebox')).toBeVisible()
    await expect.element(page.getByText('Only together')).toBeVisible()
    await expect.poll(() => element('build-picture').textContent).toContain('+1.0')
    ;(element('build-picture') as HTMLElement).focus()
    await userEvent.keyboard('{Home}')
    await expect.element(picture.getByRole('status')).toHaveTextContent('Bar 1: −1.0 LU')
    await userEvent.keyboard('{End}')
    await expect.element(picture.getByRole('status')).toHaveTextContent('Nothing is measured here')
  })
})

byEitherHand('a picture of a balance', () => {
  it('has a dot for each track in each section, leads to sections, and stands over the rest bar by bar', async () => {
    const go = vi.fn()
    const tracks = Object.fromEntries(deskSong.tracks.map((track, i) => [track.id, i === 4 ? null : -3 * i]))
    const sections = deskSong.sections.map(({ id }) => ({ section: id, lead: 1, tracks, loudness: -16 }))
    await atRoom(BalanceField, { song: deskSong, sections, onGo: go })
    await expect.element(page.getByRole('row', { name: /Whistle/ })).toHaveTextContent('−3')
    await expect.element(page.getByRole('row', { name: /Hum/ })).toHaveTextContent('–')
    await page.getByRole('button', { name: 'Go to section C' }).click()
    expect(go).toHaveBeenCalledWith(8 * BAR)
  })

  it('says of every bar how far the lead stands over the rest', async () => {
    const bars = Array.from({ length: 16 }, (_, i) => ({
      bar: i + 1,
      from: i * BAR,
      to: (i + 1) * BAR,
      lead: i === 0 ? null : i - 6,
    }))
    await atRoom(LeadChart, { bars, time, position: () => 0, band: [0, 4] })
    const picture = page.getByTestId('lead-picture')
    await expect.poll(() => element('lead-picture').querySelectorAll('svg path').length).toBeGreaterThan(10)
    ;(element('lead-picture') as HTMLElement).focus()
    await userEvent.keyboard('{Home}')
    await expect.element(picture.getByRole('status')).toHaveTextContent('Nobody leads here')
    await userEvent.keyboard('{ArrowRight}{ArrowRight}')
    await expect.element(picture.getByRole('status')).toHaveTextContent('Bar 2: −5.0 LU')
  })
})

byEitherHand('a picture of a crossing', () => {
  it('has both tracks and their sum, says the sum at each place, and lies beside another mix’s', async () => {
    const hops = Array.from({ length: 60 }, (_, i) => i)
    const picture = {
      start: 2 * BAR,
      end: 4 * BAR,
      first: 30,
      leaves: hops.map((i) => -i / 2),
      comes: hops.map((i) => -30 + i / 2),
      sum: hops.map((i) => (i === 30 ? -9 : 0)),
      meet: 3 * BAR,
      hole: { tick: 3 * BAR, deep: 9 },
    }
    const room = shallowReactive<Record<string, unknown>>({
      picture,
      time,
      leaves: 'Tide',
      comes: 'Harp',
      position: () => 0,
      beside: null,
    })
    await atRoom(CrossingChart, room)
    const drawn = page.getByTestId('crossing-picture')
    await expect.element(drawn).toHaveTextContent('hole')
    await expect.element(page.getByText('Both together')).toBeVisible()
    ;(element('crossing-picture') as HTMLElement).focus()
    await userEvent.keyboard('{Home}{End}')
    await expect.element(drawn.getByRole('status')).toHaveTextContent(/LU$|nothing sounds/)
    const lines = () => element('crossing-picture').querySelectorAll('svg path').length
    const before = lines()
    room['beside'] = { name: 'the model', picture }
    await expect.element(page.getByText('the model')).toBeVisible()
    await expect.poll(lines).toBeGreaterThan(before)
  })
})
