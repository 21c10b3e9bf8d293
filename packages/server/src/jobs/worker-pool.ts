import { Worker } from 'node:worker_threads'
import { Problem } from '../http/problem'

/** What a worker thread answers. */
export type WorkerAnswer<Out> =
  | { readonly result: Out }
  | {
      readonly error: string
      /** Of what is refused for a reason that whoever asked is told. */
      readonly problem?: Pick<Problem, 'status' | 'code'>
      /** Whether it was a RangeError. */
      readonly isRange?: boolean
    }

/** The error that a worker thread met, as one of this thread. */
function errorOf({ error, problem, isRange }: Exclude<WorkerAnswer<never>, { result: never }>): Error {
  if (problem) return new Problem(problem.status, problem.code, error)
  return isRange ? new RangeError(error) : new Error(error)
}

/** A task took longer than tasks of its kind may. */
export class TooLong extends Error {
  constructor() {
    super('This took too long.')
  }
}

interface Task<In, Out> {
  readonly input: In
  resolve(result: Out): void
  reject(error: Error): void
}

const LONGEST_MS = 5 * 60_000

/** A few worker threads of one kind, started when first needed; each does one task at a time. */
export class WorkerPool<In, Out> {
  readonly #idle: Worker[] = []
  readonly #busy = new Map<Worker, Task<In, Out>>()
  readonly #waiting: Task<In, Out>[] = []
  readonly #timers = new Map<Worker, ReturnType<typeof setTimeout>>()
  #closed = false

  /**
   * @param script file of the worker
   * @param size most threads at a time
   * @param mostMs how long a task may take: a thread that takes longer is ended
   */
  constructor(
    private readonly script: URL,
    private readonly size: number,
    private readonly mostMs = LONGEST_MS,
  ) {}

  /** @param urgent whether somebody waits for it: then it comes before everything that was queued */
  run(input: In, urgent = false): Promise<Out> {
    return new Promise<Out>((resolve, reject) => {
      if (this.#closed) return reject(new Error('The server is stopping.'))
      if (urgent) this.#waiting.unshift({ input, resolve, reject })
      else this.#waiting.push({ input, resolve, reject })
      this.#next()
    })
  }

  async close(): Promise<void> {
    this.#closed = true
    const workers = [...this.#idle, ...this.#busy.keys()]
    for (const task of [...this.#busy.values(), ...this.#waiting])
      task.reject(new Error('The server is stopping.'))
    this.#waiting.length = 0
    for (const timer of this.#timers.values()) clearTimeout(timer)
    await Promise.all(workers.map((w) => w.terminate()))
  }

  #next(): void {
    if (!this.#waiting.length) return
    const worker = this.#idle.pop() ?? (this.#busy.size < this.size ? this.#start() : undefined)
    if (!worker) return
    const task = this.#waiting.shift()!
    this.#busy.set(worker, task)
    this.#timers.set(worker, setTimeout(() => this.#lose(worker, new TooLong()), this.mostMs).unref())
    worker.postMessage(task.input)
  }

  #start(): Worker {
    const worker = new Worker(this.script)
    worker.on('message', (answer: WorkerAnswer<Out>) => {
      const task = this.#busy.get(worker)
      // given up already
      if (!task) return
      this.#busy.delete(worker)
      clearTimeout(this.#timers.get(worker))
      this.#idle.push(worker)
      if ('error' in answer) task.reject(errorOf(answer))
      else task.resolve(answer.result)
      this.#next()
    })
    worker.on('error', (error) => this.#lose(worker, error))
    worker.on('exit', () => this.#lose(worker, new Error('A worker thread ended.')))
    return worker
  }

  /** A thread that died is replaced by the next task; the one it had fails. */
  #lose(worker: Worker, error: Error): void {
    const task = this.#busy.get(worker)
    this.#busy.delete(worker)
    clearTimeout(this.#timers.get(worker))
    this.#timers.delete(worker)
    if (error instanceof TooLong) void worker.terminate()
    const at = this.#idle.indexOf(worker)
    if (at >= 0) this.#idle.splice(at, 1)
    task?.reject(error)
    if (!this.#closed) this.#next()
  }
}
