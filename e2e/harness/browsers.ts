import type { Browser, BrowserContext, BrowserContextOptions, Page } from '@playwright/test'

/** A browser that was opened, its page, and whether somebody sits at it now. */
interface Opened {
  readonly kind: string
  readonly context: BrowserContext
  /** The page of whoever sat there; null where it is not fit for anybody else. */
  page: Page | null
  taken: boolean
}

/**
 * Browsers of a worker. One that is put away is given to the next story: it has kept the files of the application and what its
 * compiler has learned of them, which is a quarter of the work of opening a bench, and nothing else of whoever had it before.
 */
export class Browsers {
  readonly #opened: Opened[] = []

  constructor(private readonly browser: Browser) {}

  /** A page in a browser that nobody sits at. */
  async open(options: BrowserContextOptions, origin: string): Promise<Page> {
    const kind = JSON.stringify(options)
    const known = this.#opened.find((o) => o.kind === kind && !o.taken)
    const mine = known ?? { kind, context: await this.#fresh(options), page: null, taken: true }
    if (known) known.taken = true
    else this.#opened.push(mine)
    const page = mine.page ?? (await mine.context.newPage())
    if (page !== mine.page && !options.serviceWorkers) {
      mine.page = page
      watchWear(page, () => (mine.page = null))
    }
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

  /** Leaves the pages, and keeps the browsers for the next story. */
  async putAway(origin: string): Promise<void> {
    for (const opened of this.#opened.filter((o) => o.taken)) {
      const { context } = opened
      await context.setOffline(false)
      await context.unrouteAll()
      if (opened.page && !(await isLeft(opened.page, origin))) opened.page = null
      await Promise.all(
        context
          .pages()
          .filter((page) => page !== opened.page)
          .map((page) => page.close()),
      )
      opened.taken = false
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.#opened.map(({ context }) => context.close()))
  }
}

/** Leaves the application for a page that is nothing but an answer of its server. @returns whether the next one may have it */
async function isLeft(page: Page, origin: string): Promise<boolean> {
  page.removeAllListeners()
  try {
    await page.goto(`${origin}/api/health`, { timeout: 5000 })
    await page.evaluate(() => sessionStorage.clear())
    return true
  } catch {
    return false
  }
}

/** What is done to a page and stays with it. */
const WEARS = ['addInitScript', 'emulateMedia', 'setViewportSize'] as const

/** Tells when something is done to a page that stays with it: its next one would find it changed. */
function watchWear(page: Page, worn: () => void): void {
  for (const name of WEARS) {
    const plain = page[name]
    const watched = (...given: unknown[]): unknown => {
      worn()
      return Reflect.apply(plain, page, given)
    }
    Object.assign(page, { [name]: watched })
  }
}
