import { readFileSync } from 'node:fs'
import type { DataSource } from 'typeorm'

/** What the starter, or a bench, asks a server. */
interface Question {
  /** Whether it still gets anything done: answered once a query came back. */
  readonly ping?: number
  /** How long its loop was held since this was last asked, and what it holds in memory. */
  readonly signs?: number
}

/** How long the loop was held at most, in ms: by the clock, and by what its thread worked meanwhile. */
interface Held {
  clock: number
  work: number
}

const EVERY_MS = 5

/** What this thread has worked so far, in ms (proc(5): schedstat); by the clock where the system does not say. */
function worked(): number {
  try {
    return Number(readFileSync('/proc/thread-self/schedstat', 'utf8').split(' ')[0]) / 1e6
  } catch {
    return performance.now()
  }
}

/** Watches how late a timer comes. A machine that does other things holds it by the clock, but not by this thread's work. */
function watchLoop(): Held {
  const held: Held = { clock: 0, work: 0 }
  let clock = performance.now()
  let work = worked()
  setInterval(() => {
    const [nowClock, nowWork] = [performance.now(), worked()]
    held.clock = Math.max(held.clock, nowClock - clock - EVERY_MS)
    held.work = Math.max(held.work, Math.min(nowClock - clock, nowWork - work))
    clock = nowClock
    work = nowWork
  }, EVERY_MS).unref()
  return held
}

/** Answers whoever started this process. */
export function answerQuestions(
  database: DataSource,
  tell: (message: Readonly<Record<string, unknown>>) => void,
): void {
  let held: Held | null = null
  process.on('message', ({ ping, signs }: Question) => {
    if (ping !== undefined)
      database.query('SELECT 1').then(
        () => tell({ pong: ping }),
        () => undefined,
      )
    if (signs === undefined) return
    globalThis.gc?.()
    const { heapUsed, rss, arrayBuffers } = process.memoryUsage()
    tell({ signs, held: { ...held }, memory: { heapUsed, rss, arrayBuffers } })
    held ??= watchLoop()
    held.clock = 0
    held.work = 0
  })
}
