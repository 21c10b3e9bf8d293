import { monitorEventLoopDelay } from 'node:perf_hooks'
import type { DataSource } from 'typeorm'

/** What the starter, or a bench, asks a server. */
interface Question {
  /** Whether it still gets anything done: answered once a query came back. */
  readonly ping?: number
  /** How long its loop was held since this was last asked, in ms, and what it holds in memory, in bytes. */
  readonly signs?: number
}

const RESOLUTION_MS = 5

/** Answers whoever started this process. */
export function answerQuestions(
  database: DataSource,
  tell: (message: Readonly<Record<string, unknown>>) => void,
): void {
  let delay: ReturnType<typeof monitorEventLoopDelay> | null = null
  process.on('message', ({ ping, signs }: Question) => {
    if (ping !== undefined)
      database.query('SELECT 1').then(
        () => tell({ pong: ping }),
        () => undefined,
      )
    if (signs !== undefined) {
      globalThis.gc?.()
      const { heapUsed, rss, arrayBuffers } = process.memoryUsage()
      const held = delay
        ? { most: delay.max / 1e6, often: delay.percentile(99.9) / 1e6 }
        : { most: 0, often: 0 }
      tell({ signs, held, memory: { heapUsed, rss, arrayBuffers } })
      delay ??= monitorEventLoopDelay({ resolution: RESOLUTION_MS })
      delay.enable()
      delay.reset()
    }
  })
}
