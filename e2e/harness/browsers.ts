import type { Browser, BrowserContext, BrowserContextOptions, Page } from '@playwright/test'

/** A browser that was opened, and whether somebody sits at it now. */
interface Opened {
  readonly kind: string
  readonly context: BrowserContext
  taken: boolean
}

/**
 * Browsers of a worker. One that is put away is given to the next story: it has kept the files of the application, and nothing
 * else of whoever had it before.
 */
export class Browsers {
  readonly #opened: Opened[] = []

  constructor(private readonly browser: Browser) {}

  /** A page in a browser that nobody sits at. */
  async open(options: BrowserContextOptions, origin: string): Promise<Page> {
    const kind = JSON.stringify(options)
    const known = this.#opened.find((o) => o.kind === kind && !o.taken)
    const mine = known ?? { kind, context: await this.#fresh(options), taken: true }
    if (!known) this.#opened.push(mine)
    mine.taken = true
    const page = await mine.context.newPage()
    if (known) {
      const session = await mine.context.newCDPSession(page)
      await session.send('Storage.clearDataForOrigin', {
        origin,
        storageTypes: 'cookies,local_storage,indexeddb,cache_storage,service_workers',
      })
      await session.detach()
      await mine.context.clearCookies()
    }
    return page
  }

  async #fresh(options: BrowserContextOptions): Promise<BrowserContext> {
    const context = await this.browser.newContext({
      reducedMotion: 'reduce',
      // the whole application is fetched only where a story is about being without the server
      serviceWorkers: 'block',
      ...options,
    })
    // the sound was checked on this machine before: its own story takes this back
    await context.addInitScript(() => {
      if (location.protocol === 'about:') return
      if (!localStorage.getItem('rudlo-listening'))
        localStorage.setItem('rudlo-listening', JSON.stringify({ delay: 0, checked: true }))
      // one press is one point: what a press does by itself has a story of its own
      if (!localStorage.getItem('rudlo-point-spread')) localStorage.setItem('rudlo-point-spread', 'beside')
    })
    return context
  }

  /** Closes what is open, and keeps the browsers for the next story. */
  async putAway(): Promise<void> {
    for (const opened of this.#opened.filter((o) => o.taken)) {
      await opened.context.setOffline(false)
      await opened.context.unrouteAll()
      await Promise.all(opened.context.pages().map((page) => page.close()))
      opened.taken = false
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.#opened.map(({ context }) => context.close()))
  }
}
