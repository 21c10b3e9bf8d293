import type { SSEStreamingApi } from 'hono/streaming'
import type { Happening } from './entities'
import type { Happenings } from './happenings'
import { happeningView, isForPages } from './views'

/** A comment goes out so often, so that nobody between takes the line for dead. */
const BEAT_MS = 15_000
/** Lines that a person can have open; a further one ends the oldest. */
const MOST_LINES = 30

/** Open lines to pages, by server-sent events. */
export class LiveLines {
  /** How to end the open lines, by person, oldest first. */
  readonly #open = new Map<string, Set<() => void>>()

  constructor(private readonly happenings: Happenings) {}

  /**
   * Tells a page what happens to its person until the page, or the session that opened the line, ends.
   * @param after the id of the last thing that the page knows; null for a page that knows everything
   * @param holds whether the session still holds
   */
  async run(
    stream: SSEStreamingApi,
    personId: string,
    after: string | null,
    holds: () => Promise<boolean>,
  ): Promise<void> {
    const told = new Set<string>()
    let writing = Promise.resolve()
    let stopListening = () => undefined as void
    const end = () => {
      stopListening()
      this.#leave(personId, end)
      void stream.close()
    }
    // a line lives no longer than the session that opened it
    const look = async () => {
      if (!(await holds().catch(() => true))) end()
    }
    const write = (happening: Happening) => {
      if (!isForPages(happening)) return void look()
      if (told.has(happening.id)) return
      told.add(happening.id)
      const data = JSON.stringify(happeningView(happening))
      writing = writing.then(() => stream.writeSSE({ id: happening.id, event: 'happening', data }))
    }
    // what happens while what was missed is looked up comes after it
    let early: Happening[] | null = after === null ? null : []
    const hear = (happening: Happening) =>
      early && isForPages(happening) ? void early.push(happening) : write(happening)
    stopListening = await this.happenings.listen({ personId, tell: hear })
    this.#enter(personId, end)
    stream.onAbort(end)
    await stream.writeSSE({ event: 'open', data: '' })
    if (after !== null) for (const missed of await this.happenings.since(personId, after)) write(missed)
    for (const happening of early ?? []) write(happening)
    early = null
    // it may have ended while the line was opened
    await look()
    while (!stream.aborted && !stream.closed) {
      await stream.sleep(BEAT_MS)
      await look()
      if (stream.closed) break
      writing = writing.then(async () => void (await stream.write(': still here\n\n')))
      await writing
    }
    end()
  }

  #enter(personId: string, end: () => void): void {
    const mine = this.#open.get(personId) ?? new Set()
    this.#open.set(personId, mine.add(end))
    if (mine.size > MOST_LINES) [...mine][0]?.()
  }

  #leave(personId: string, end: () => void): void {
    const mine = this.#open.get(personId)
    mine?.delete(end)
    if (!mine?.size) this.#open.delete(personId)
  }
}
