import {
  test as base,
  expect,
  type BrowserContextOptions,
  type Locator,
  type Page,
  type TestDetails,
  type TestType,
} from '@playwright/test'
import type { WorkDocument } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { Connection } from 'mysql2/promise'
import { Installation } from '../../scripts/lib/installation.mjs'
import { seededFolder } from '../../scripts/lib/seed.mjs'
import { WHOLE } from '../../scripts/lib/whole.mjs'
import { Browsers } from './browsers'
import { connectTo, World } from './world'
import { Finger, Mouse, type By, type DragOptions, type Hand, type Place } from './hand'

/** The assignment of the demo that most stories are about. */
const TUNE = 'Make room for the tune'

/** Somebody at a browser of their own. */
export class Person {
  constructor(
    readonly page: Page,
    private readonly address: string,
    /** What this person works with. */
    readonly hand: Hand,
    /** The class of this story. */
    private readonly world: () => Promise<World>,
  ) {}

  /** Signs in without a page, as somebody of the class of this story. */
  async comeIn(name: string): Promise<void> {
    const person = (await this.world()).personOf(name)
    const answer = await this.page
      .context()
      .request.post(`${this.address}/api/demo-session`, { data: { person } })
    expect(answer.ok()).toBe(true)
  }

  /** Signs in, and comes to the first page. */
  async signIn(name: string): Promise<void> {
    await this.comeIn(name)
    await this.page.goto(this.address)
    await expect(this.at('account')).toBeVisible()
    await expect(this.page.getByRole('heading', { level: 1 })).toBeVisible()
  }

  /** Goes to a page of an assignment, until it can play. */
  async open(page: 'bench' | 'review', title = TUNE): Promise<void> {
    await this.page.goto(`${this.address}/${page}/${(await this.world()).assignmentOf(title)}`)
    await this.canPlay()
  }

  /** Signs in and opens the bench. */
  async atBench(name: string, title = TUNE): Promise<void> {
    await this.comeIn(name)
    await this.open('bench', title)
  }

  /** Signs in and opens the review desk. */
  async atReview(name: string, title = TUNE): Promise<void> {
    await this.comeIn(name)
    await this.open('review', title)
  }

  /** Opens the list of hand-ins of the review desk, where it is not open. */
  async listHandIns(): Promise<void> {
    const list = this.at('choose-assignment')
    // it closes by itself where the next hand-in is laid on the desk
    await expect(async () => {
      if (!(await list.isVisible())) await this.at('queue').click()
      await expect(list).toBeVisible({ timeout: 2000 })
    }).toPass()
  }

  /** Closes it again. */
  async unlistHandIns(): Promise<void> {
    await this.at('queue').click()
    await expect(this.at('choose-assignment')).toBeHidden()
  }

  /** Goes to a part of the class. */
  async goToClass(part: 'term' | 'marks' | 'people' | 'settings' | 'changes' = 'people'): Promise<void> {
    await this.at('groups').click()
    await this.at(`tab-${part}`).click()
  }

  /** Goes to the list of assignments. */
  async goToAssignments(): Promise<void> {
    await this.at('to-assignments').click()
    await expect(this.at('new-assignment')).toBeVisible()
  }

  /** An assignment in a teacher's list. */
  card(title = TUNE): Locator {
    return this.page.locator('article', { hasText: title })
  }

  /** An assignment in the term of a student, which is unfolded. */
  async inTerm(title = TUNE): Promise<Locator> {
    const fold = this.at('term').getByRole('button', { name: /whole term/ })
    if ((await fold.getAttribute('aria-expanded')) !== 'true') await fold.click()
    return this.at('in-term').filter({ hasText: title })
  }

  /** From a student's first page to the bench, until it can play. */
  async openBench(title = TUNE): Promise<void> {
    await (await this.inTerm(title)).locator('a').first().click()
    await this.canPlay()
  }

  /** What is typed into, by its test name. */
  field(name: string): Locator {
    return this.at(name).locator('input, textarea:not([aria-hidden])').first()
  }

  /** Chooses something from a list that opens. */
  async choose(list: string | Locator, text: string | RegExp): Promise<void> {
    // the whole field opens it: what is chosen lies over its input
    const field =
      typeof list === 'string'
        ? this.at(list).locator('.v-field')
        : list.locator('xpath=ancestor::*[contains(concat(" ", @class, " "), " v-field ")][1]')
    await field.click()
    await this.page.getByRole('option', { name: text }).first().click()
  }

  /** Ticks a box, or takes the tick away. */
  async tick(name: string, on = true): Promise<void> {
    await this.field(name).setChecked(on)
  }

  async canPlay(): Promise<void> {
    try {
      await expect(this.at('play')).toHaveAttribute('data-sound', 'whole', { timeout: 180_000 })
    } catch (cause) {
      // why not is on the page, if there is one still
      const said = await this.page
        .locator('body')
        .innerText()
        .catch(() => '')
      throw new Error(`It cannot be played. The page says: ${said.replace(/\s+/g, ' ')}`, { cause })
    }
  }

  /** An element by its test name. Somebody with a finger taps it where a mouse would click. */
  at(name: string): Locator {
    const element = this.page.locator(`[data-test="${name}"]`)
    if (this.hand.by === 'finger') element.click = (options) => element.tap(options)
    return element
  }

  chooseTrack = (id: string) => this.at(`card-${id}`).click()

  async isSaved(): Promise<void> {
    await expect(this.at('save-state')).toHaveText('Saved')
  }

  /** A place on the lane: `song` 0…1 along the song as shown, `height` 0…1 from silence to +6 dB. */
  async onLane(song: number, height: number): Promise<{ x: number; y: number }> {
    const box = (await this.at('line').boundingBox())!
    return { x: box.x + 14 + song * (box.width - 74), y: box.y + 16 + (1 - height) * (box.height - 32) }
  }

  async press(song: number, height: number): Promise<void> {
    await this.hand.press(await this.onLane(song, height))
  }

  /** Drags over the lane; `choosing`: to choose several points. */
  async drag(
    from: readonly [number, number],
    to: readonly [number, number],
    options: DragOptions = {},
  ): Promise<void> {
    await this.hand.drag([await this.onLane(...from), await this.onLane(...to)], options)
  }

  /** Takes an element by its middle and drags it so many px. */
  async dragAway(element: Locator, by: Place): Promise<void> {
    const box = (await element.boundingBox())!
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
    await this.hand.drag([
      { x, y },
      { x: x + by.x, y: y + by.y },
    ])
  }

  /** Goes to a place of the song, 0…1, by the strip. */
  async goTo(share: number): Promise<void> {
    const strip = (await this.at('strip').boundingBox())!
    await this.hand.press({ x: strip.x + strip.width * share, y: strip.y + 40 })
  }

  /** Closes a dialog by Escape. One that has only just come up does not hear it yet. */
  async escape(): Promise<void> {
    await expect(async () => {
      await this.page.keyboard.press('Escape')
      await expect(this.page.getByRole('dialog')).toBeHidden({ timeout: 2000 })
    }).toPass()
  }

  undo = () => this.page.keyboard.press('Control+z')

  /** How many points the line on the desk has, as it tells a screen reader. */
  async points(): Promise<number> {
    const label = (await this.at('line').getAttribute('aria-label'))!
    return Number(/with (\d+) points?/.exec(label)![1])
  }

  /** The play position as the transport says it, in beats from the start of the song (of four a bar). */
  async beat(): Promise<number> {
    const [bar, beat] = (await this.at('place').textContent())!
      .trim()
      .split(/[^\d]+/)
      .map(Number)
    return (bar! - 1) * 4 + (beat ?? 1) - 1
  }

  /** Goes to the start of a bar by the keys of the strip. */
  async atBar(bar: number): Promise<void> {
    await this.at('strip').focus()
    await this.page.keyboard.press('Home')
    for (let i = 1; i < bar; i++) await this.page.keyboard.press('ArrowRight')
  }

  /** The work of somebody of this class as it is stored. */
  async kept(name: string, title = TUNE): Promise<WorkDocument> {
    return (await this.world()).workOf(name, title)
  }

  /** The song of an assignment. */
  async song(title = TUNE): Promise<SongVersion> {
    const id = (await this.world()).assignmentOf(title)
    // a connection that was used long ago may be closed just as it is taken up again
    const again = { maxRetries: 2 }
    const answer = await this.page.context().request.get(`${this.address}/api/assignments/${id}`, again)
    return ((await answer.json()) as { songDocument: SongVersion }).songDocument
  }

  /** The loudness that is shown now, in LUFS; -Infinity where nothing is heard. */
  async loudness(): Promise<number> {
    const text = (await this.at('loudness').textContent())!.replace('−', '-')
    return text === '–' ? -Infinity : Number(text)
  }

  /** Waits until something is heard. A machine that is shared may be late with it, or leave out moments of it. */
  async hears(): Promise<void> {
    // more often than the beats of a song come: looks a second apart could fall between its notes, time after time
    await expect.poll(() => this.loudness(), { intervals: [100] }).toBeGreaterThan(-60)
  }

  /** Waits until nothing is heard, for longer than a rest of the song. */
  async hearsNothing(): Promise<void> {
    await expect(async () => {
      for (const end = Date.now() + 600; Date.now() < end; await this.page.waitForTimeout(120))
        expect(await this.loudness()).toBe(-Infinity)
    }).toPass()
  }

  /**
   * Waits until the loop that plays has begun anew so many times: counted in beats of the song, not in time, since a machine that
   * is shared may play late.
   */
  async rounds(many: number): Promise<void> {
    let [begun, last] = [0, await this.beat()]
    const again = async () => {
      const beat = await this.beat()
      if (beat < last) begun++
      last = beat
      return begun
    }
    await expect.poll(again, { intervals: [100] }).toBeGreaterThanOrEqual(many)
  }
}

interface Workers {
  installation: Installation
  database: Connection
  browsers: Browsers
}

export interface Tests {
  /** Opens a browser of its own for somebody, and fails the test on an error in its console. */
  somebody: (options?: BrowserContextOptions) => Promise<Person>
  /** What everybody works with, as the project says. */
  by: By
}

export const test = base.extend<Tests, Workers>({
  by: ['mouse', { option: true }],
  installation: [
    // eslint-disable-next-line no-empty-pattern -- Playwright wants the first argument destructured
    async ({}, use) => {
      const installation = await new Installation(true, {
        from: await seededFolder(),
        rehearse: false,
      }).start()
      await use(installation)
      await installation.stop()
    },
    { scope: 'worker', timeout: 180_000 },
  ],
  database: [
    async ({ installation }, use) => {
      const connection = await connectTo(installation)
      await use(connection)
      await connection.end()
    },
    { scope: 'worker' },
  ],
  browsers: [
    async ({ browser }, use) => {
      const browsers = new Browsers(browser)
      await use(browsers)
      await browsers.close()
    },
    { scope: 'worker' },
  ],
  somebody: async ({ browsers, installation, database, viewport, by }, use) => {
    const faults: string[] = []
    let world: Promise<World> | undefined
    await use(async (options) => {
      const page = await browsers.open(
        { viewport, hasTouch: by === 'finger', ...options },
        installation.address,
      )
      page.on('pageerror', (error) => faults.push(String(error.stack)))
      page.on('console', (message) => {
        // a refused or lost request is part of some stories; anything else is not
        if (message.type() === 'error' && !message.text().startsWith('Failed to load resource'))
          faults.push(message.text())
      })
      const hand = by === 'finger' ? new Finger(page) : new Mouse(page)
      return new Person(page, installation.address, hand, () => (world ??= World.make(database)))
    })
    await browsers.putAway(installation.address)
    expect(faults).toEqual([])
  },
})

interface Story<Given> {
  (title: string, tell: (given: Given) => Promise<void>): void
  (title: string, details: TestDetails, tell: (given: Given) => Promise<void>): void
}

/** Tells stories in a whole run alone. In others they are counted as skipped, and what is only theirs is not loaded. */
export const onlyInWhole = <A extends object, W extends object>(stories: TestType<A, W>): Story<A & W> =>
  WHOLE ? stories : stories.skip

/** A story that is left to a whole run. */
export const whole = onlyInWhole(test)

export { expect }
