import { fileURLToPath } from 'node:url'
import PQueue from 'p-queue'
import { Piscina } from 'piscina'
import { Problem } from '../http/problem'
import type { WorkerAnswer } from './answering'

/** A task took longer than tasks of its kind may. */
export class TooLong extends Error {
  constructor() {
    super('This took too long.')
  }
}

const stopping = () => new Error('The server is stopping.')

/** The error that a worker thread met, as one of this thread. */
function errorOf({ error, problem, isRange }: Exclude<WorkerAnswer<never>, { result: never }>): Error {
  if (problem) return new Problem(problem.status, problem.code, error)
  return isRange ? new RangeError(error) : new Error(error)
}

const LONGEST_MS = 5 * 60_000

/** A few worker threads of one kind, started when first needed; each does one task at a time. A thread that dies is replaced. */
export class WorkerPool<In, Out> {
  readonly #threads: Piscina<In, WorkerAnswer<Out>>
  readonly #queue: PQueue
  #closed = false

  /**
   * @param script file of the worker, which is made by `answering`
   * @param size most threads at a time
   * @param mostMs how long a task may take from when it is begun: a thread that takes longer is ended
   */
  constructor(
    script: URL,
    size: number,
    private readonly mostMs = LONGEST_MS,
  ) {
    this.#threads = new Piscina({
      filename: fileURLToPath(script),
      minThreads: 0,
      maxThreads: size,
      // what a thread has found out is of use to the next task
      idleTimeout: Infinity,
      // what the process was started with, as a loader of modules, is nothing to a thread
      execArgv: [],
    })
    // tasks wait here and not in Piscina, so that their time begins when they do
    this.#queue = new PQueue({ concurrency: size })
  }

  /** Whether a thread is at work, or something waits for one. */
  get isBusy(): boolean {
    return this.#queue.size + this.#queue.pending > 0
  }

  /**
   * @param urgent whether somebody waits for it: then it comes before everything that was queued
   * @throws what the worker threw, as far as it is a Problem or a RangeError; TooLong; Error where the thread died
   */
  async run(input: In, urgent = false): Promise<Out> {
    const answer = await this.#queue.add(() => this.#begin(input), { priority: urgent ? 1 : 0 })
    if ('error' in answer) throw errorOf(answer)
    return answer.result
  }

  async #begin(input: In): Promise<WorkerAnswer<Out>> {
    if (this.#closed) throw stopping()
    const tooLong = new AbortController()
    const timer = setTimeout(() => tooLong.abort(), this.mostMs).unref()
    try {
      return await this.#threads.run(input, { signal: tooLong.signal })
    } catch (error) {
      if (this.#closed) throw stopping()
      throw tooLong.signal.aborted ? new TooLong() : error
    } finally {
      clearTimeout(timer)
    }
  }

  /** Ends the threads; whatever waits or runs is refused. */
  async close(): Promise<void> {
    this.#closed = true
    await this.#threads.destroy()
  }
}
