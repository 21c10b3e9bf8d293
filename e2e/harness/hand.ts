import type { CDPSession, Page } from '@playwright/test'

/** A place on the page, in px. */
export interface Place {
  readonly x: number
  readonly y: number
}

export type By = 'mouse' | 'finger'

/** What somebody works with on the page. */
export interface Hand {
  readonly by: By
  /** Presses and lets go. */
  press(at: Place): Promise<void>
  /** Goes from place to place and lets go at the last; `held` is done before that. */
  drag(places: readonly Place[], options?: DragOptions): Promise<void>
}

export interface DragOptions {
  /** Several are to be chosen: with Shift by mouse, by a finger that is held still first. */
  readonly choosing?: boolean
  readonly held?: () => Promise<void>
}

/** Places on the way from one to the next, so that it is a drag and not a leap. */
function way(places: readonly Place[]): Place[] {
  return places.flatMap((to, i) => {
    const from = places[i - 1]
    if (!from) return [to]
    return [1, 2, 3, 4, 5].map((k) => ({
      x: from.x + ((to.x - from.x) * k) / 5,
      y: from.y + ((to.y - from.y) * k) / 5,
    }))
  })
}

export class Mouse implements Hand {
  readonly by = 'mouse'

  constructor(private readonly page: Page) {}

  press = ({ x, y }: Place) => this.page.mouse.click(x, y)

  async drag(places: readonly Place[], { choosing = false, held }: DragOptions = {}): Promise<void> {
    const [first, ...rest] = way(places)
    const { mouse, keyboard } = this.page
    await mouse.move(first!.x, first!.y)
    if (choosing) await keyboard.down('Shift')
    await mouse.down()
    for (const { x, y } of rest) await mouse.move(x, y)
    await held?.()
    await mouse.up()
    if (choosing) await keyboard.up('Shift')
  }
}

/** How long a finger is held still, in ms. */
const STILL = 700
/** How long it rests after a stroke, in ms: a browser takes a tap at once for the end of a fling. */
const REST = 400

export class Finger implements Hand {
  readonly by = 'finger'
  #session: Promise<CDPSession> | null = null

  constructor(private readonly page: Page) {}

  press = ({ x, y }: Place) => this.page.touchscreen.tap(x, y)

  async drag(places: readonly Place[], { choosing = false, held }: DragOptions = {}): Promise<void> {
    const [first, ...rest] = way(places)
    await this.touch('touchStart', first!)
    if (choosing) await this.page.waitForTimeout(STILL)
    for (const place of rest) await this.touch('touchMove', place)
    await held?.()
    await this.touch('touchEnd')
    // once the page has taken the stroke in
    await this.page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))))
    await this.page.waitForTimeout(REST)
  }

  /** One event of one finger or several. */
  async touch(type: 'touchStart' | 'touchMove' | 'touchEnd', ...places: Place[]): Promise<void> {
    this.#session ??= this.page.context().newCDPSession(this.page)
    const touchPoints = places.map(({ x, y }, id) => ({ x, y, id }))
    await (await this.#session).send('Input.dispatchTouchEvent', { type, touchPoints })
  }
}
