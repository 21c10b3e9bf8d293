import { Worker } from 'node:worker_threads'

/** What a worker thread answers. */
export type WorkerAnswer<Out> = { readonly result: Out } | { readonly error: string }

interface Task<In, Out> {
  readonly input: In
  resolve(result: Out): void
  reject(error: Error): void
}

/** A few worker threads of one kind, started when first needed; each does one task at a time. */
export class WorkerPool<In, Out> {
  readonly #idle: Worker[] = []
  readonly #busy = new Map<Worker, Task<In, Out>>()
  readonly #waiting: Task<In, Out>[] = []
  #closed = false

  /**
   * @param script file of the worker
   * @param size most threads at a time
   */
  constructor(
    private readonly script: URL,
    private readonly size: number,
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
    await Promise.all(workers.map((w) => w.terminate()))
  }

  #next(): void {
    if (!this.#waiting.length) return
    const worker = this.#idle.pop() ?? (this.#busy.size < this.size ? this.#start() : undefined)
    if (!worker) return
    const task = this.#waiting.shift()!
    this.#busy.set(worker, task)
    worker.postMessage(task.input)
  }

  #start(): Worker {
    const worker = new Worker(this.script)
    worker.on('message', (answer: WorkerAnswer<Out>) => {
      const task = this.#busy.get(worker)
      this.#busy.delete(worker)
      this.#idle.push(worker)
      if ('error' in answer) task?.reject(new Error(answer.error))
      else task?.resolve(answer.result)
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
    const at = this.#idle.indexOf(worker)
    if (at >= 0) this.#idle.splice(at, 1)
    task?.reject(error)
    if (!this.#closed) this.#next()
  }
}
