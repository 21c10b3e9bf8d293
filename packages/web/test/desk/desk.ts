import { addEffect, plainMix, trackLevel, withPoints, type Mix, type WorkDocument } from '@rudlo/core/mix'
import { point } from '@rudlo/core/envelope'
import type { StudentBrief } from '@rudlo/core/brief'
import { createPinia, setActivePinia } from 'pinia'
import { createApp } from 'vue'
import { page, userEvent, type Locator } from 'vitest/browser'
import { expect, onTestFinished } from 'vitest'
import { serveWith } from '../fake-server'
import { useDesk, type PointSpread } from '../../src/desk/desk-store'
import { usePlayer } from '../../src/engine/player-store'
import { useWork } from '../../src/document/work-store'
import '../../src/ui/theme/base.css'
import { rudloVuetify } from '../../src/ui/theme/vuetify'
import { putUp } from '../put-up'
import TestDesk from './TestDesk.vue'
import { by, drag, press, type DragOptions, type Place } from './hand'
import { deskSong } from './song'

export { by, deskSong }
export const BAR = 3840
export const LEVEL = trackLevel('squeezebox')

/** A line to begin with: there is something to move, to lower and to bend. */
const begun = (mix: Mix): Mix =>
  withPoints(
    mix,
    LEVEL,
    [point(0, -6), point(4 * BAR, -6), point(6 * BAR, -18), point(10 * BAR, -6), point(16 * BAR, -6)],
    () => 'line',
  )

const brief: StudentBrief = {
  purpose: 'Why.',
  open: [LEVEL],
  answers: 'asked',
  hintsAfter: 1,
  repairs: true,
  tasks: [
    {
      id: 'one',
      title: 'One',
      text: '',
      lanes: [LEVEL],
      from: 0,
      to: 4 * BAR,
      checks: [],
      hints: 0,
      weight: 1,
    },
  ],
}

/** A server that keeps whatever is saved. */
function serve(document: WorkDocument): void {
  let revision = 1
  const tries: object[] = []
  serveWith({
    get: (path) => (path.endsWith('/tries') ? tries : []),
    post: (path, sent) => {
      if (path.endsWith('/work'))
        return { id: 'w', assignmentId: 'a', revision, document, window: '', lastSave: '', updatedAt: '' }
      if (path.endsWith('/tries'))
        tries.push({ id: crypto.randomUUID(), createdAt: '2026-03-02T10:00:00Z', ...(sent as object) })
      return {}
    },
    put: () => null,
    patch: () => ({ revision: ++revision }),
  })
}

function focusOn(element: Element): void {
  if (element instanceof HTMLElement || element instanceof SVGElement) element.focus()
}

/** Somebody at a desk of their own. */
export class DeskPerson {
  readonly work = useWork()
  readonly desk = useDesk()

  /** How often something was pressed, dragged or drawn, and how many keys were pressed. */
  acts = 0
  presses = 0

  /** An element by its test name. */
  at = (name: string): Locator => page.getByTestId(name)

  async click(name: string): Promise<void> {
    this.acts++
    await this.at(name).first().click()
  }

  chooseTrack = (id: string): Promise<void> => this.click(`card-${id}`)

  /** A place on the lane: `song` 0…1 along the song as shown, `height` 0…1 from silence to +6 dB. */
  onLane(song: number, height: number): Place {
    const box = this.at('line').first().element().getBoundingClientRect()
    return { x: box.x + 14 + song * (box.width - 74), y: box.y + 16 + (1 - height) * (box.height - 32) }
  }

  async press(song: number, height: number): Promise<void> {
    await this.#laneIsThere()
    await this.stroke([this.onLane(song, height)])
  }

  /** Drags over the lane from one place to another. */
  async drag(
    from: readonly [number, number],
    to: readonly [number, number],
    options: DragOptions = {},
  ): Promise<void> {
    await this.#laneIsThere()
    await this.stroke([this.onLane(...from), this.onLane(...to)], options)
  }

  /** What was pressed before may have laid another lane on the desk, which comes with the next frame. */
  #laneIsThere = () => expect.element(this.at('line').first()).toBeVisible()

  stroke(places: readonly Place[], options: DragOptions = {}): Promise<void> {
    this.acts++
    return places.length > 1 ? drag(places, options) : press(places[0]!)
  }

  /** Takes an element by its middle and drags it so many px. */
  async dragAway(element: Element, by: Place): Promise<void> {
    const box = element.getBoundingClientRect()
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await drag([
      { x, y },
      { x: x + by.x, y: y + by.y },
    ])
  }

  /** Presses keys one after the other, as they are called: "Shift+ArrowUp". */
  async keys(...all: string[]): Promise<void> {
    for (const key of all) {
      this.presses++
      const parts = key.split('+')
      const last = parts.pop()!
      const mod = (name: string) => (name === 'Ctrl' ? 'Control' : name)
      const down = parts.map((m) => `{${mod(m)}>}`).join('')
      const up = parts.map((m) => `{/${mod(m)}}`).join('')
      await userEvent.keyboard(`${down}${last.length > 1 ? `{${last}}` : last}${up}`)
    }
  }

  /** Goes to an element and presses keys there, as somebody does without a mouse. */
  async keysAt(name: string, ...all: string[]): Promise<void> {
    const element = this.at(name).first()
    await expect.element(element).toBeInTheDocument()
    // a menu that has just opened takes the keys to itself: they are asked for until they stay
    await expect
      .poll(async () => {
        focusOn(element.element())
        if (element.element().closest('.v-overlay')) await new Promise((resolve) => setTimeout(resolve, 150))
        return element.element().contains(document.activeElement)
      })
      .toBe(true)
    await this.keys(...all)
  }

  enter = (name: string): Promise<void> => this.keysAt(name, 'Enter')

  /** Goes to the start of a bar by the strip. */
  atBar = (bar: number): Promise<void> =>
    this.keysAt('strip', 'Home', ...Array.from({ length: bar - 1 }, () => 'ArrowRight'))

  /** Goes to a place of the song, 0…1, by the strip. */
  async goTo(share: number): Promise<void> {
    const strip = this.at('strip').element().getBoundingClientRect()
    await press({ x: strip.x + strip.width * share, y: strip.y + 40 })
  }

  field = (label: string): Locator => page.getByLabelText(label, { exact: true })
  /** What a surface says of itself. */
  said = (surface: string): Locator => this.at(surface).getByRole('status')
  /** Chooses something from a list that opens. */
  async choose(name: string, text: string): Promise<void> {
    await this.click(name)
    await page.getByRole('option', { name: text, exact: true }).click()
  }

  /** Where it would be played from, in ticks. */
  position = (): number => usePlayer().position
  /** The stretch that is played over and over. */
  loop = () => usePlayer().loop

  undo = (): Promise<void> => this.keys('Ctrl+z')

  get steps(): number {
    return this.work.history.done.length
  }

  /** Points of the lane that is worked on. */
  get points() {
    return this.work.envelope(this.desk.address)?.points ?? []
  }

  /** Does something, and expects it to be one step that can be undone. */
  async oneStep(what: () => Promise<unknown>): Promise<void> {
    const [before, steps] = [this.work.mix, this.steps]
    await what()
    await expect.poll(() => this.steps).toBe(steps + 1)
    expect(this.work.mix).not.toEqual(before)
    await this.undo()
    await expect.poll(() => this.work.mix).toEqual(before)
    await this.keys('Ctrl+y')
    await expect.poll(() => this.steps).toBe(steps + 1)
  }
}

/** What lies on the desk that somebody sits down at. */
export interface DeskGiven {
  /** Whether every lane may be changed. */
  free?: boolean
  effects?: boolean
  view?: 'balance' | 'lines'
  spread?: PointSpread
  /** The lanes that the task asks for, the first of which is on the desk; it has no line then. */
  lanes?: readonly string[]
  /** The bars of the task, in ticks. */
  bars?: readonly [from: number, to: number]
  /** What is done to the starting mix. */
  prepare?: (mix: Mix) => Mix
}

/** Sits somebody down at a desk with a song, its starting mix and a line that is begun. */
export async function atDesk({
  free = false,
  effects = false,
  view = 'lines',
  spread = 'beside',
  lanes,
  bars: [from, to] = [0, 4 * BAR],
  prepare = (mix) => mix,
}: DeskGiven = {}): Promise<DeskPerson> {
  const pinia = createPinia()
  setActivePinia(pinia)
  const plain = prepare(plainMix(deskSong))
  const start = effects ? addEffect(plain, 'squeezebox', 'filter', 'fx') : plain
  serve({ mix: lanes ? start : begun(start), notes: [] })
  const desk = useDesk()
  const open = lanes ?? [LEVEL]
  const tasks = brief.tasks.map((task) => ({ ...task, lanes: open, from, to }))
  desk.lay({ song: deskSong, startingMix: start, brief: { ...brief, open, tasks }, free })
  const work = useWork()
  desk.view = view
  // one press is one point, unless it is tried how far a point reaches
  desk.pointSpread = spread
  const { around } = await work.open('a', `person-${crypto.randomUUID()}`)
  await around
  // there is no sound: the play position is where somebody goes
  const player = usePlayer()
  player.seek = (tick) => (player.position = tick)
  // once the desk is gone, which is what was put up last
  onTestFinished(() => work.leave())
  putUp(createApp(TestDesk).use(pinia).use(rudloVuetify('light', '')))
  if (view === 'lines') await expect.element(page.getByTestId('line').first()).toBeVisible()
  return new DeskPerson()
}
