import { wrap, type Remote } from 'comlink'
import { t } from '../words/t'

/** A worker ended, or could not be started, while somebody waited for it. */
export class WorkerLost extends Error {
  constructor() {
    super(t('work.part-stopped'))
  }
}

interface Running<T> {
  readonly worker: Worker
  readonly remote: Remote<T>
  /** Rejects when the worker is lost. */
  readonly lost: Promise<never>
}

/**
 * A web worker behind Comlink. What it throws is told to whoever asked; one that dies is told as well, once a fresh one could not
 * do it either. Started when it is first asked something.
 */
export class WorkerHost<T> {
  #running: Running<T> | null = null
  #closed = false

  /**
   * @param start makes the worker, whose script exposes a `T`
   * @param prepare what a fresh worker has to be told before anything else
   */
  constructor(
    private readonly start: () => Worker,
    private readonly prepare: (remote: Remote<T>) => Promise<unknown> = () => Promise.resolve(),
  ) {}

  /** Starts the worker before there is anything to ask: it takes a moment to come up. */
  warm(): void {
    this.#started()
  }

  /** @throws what the worker threw; WorkerLost where it died twice, or was closed */
  async ask<R>(what: (remote: Remote<T>) => Promise<R>): Promise<R> {
    try {
      return await this.#askOnce(what)
    } catch (error) {
      if (!(error instanceof WorkerLost) || this.#closed) throw error
      return this.#askOnce(what)
    }
  }

  async #askOnce<R>(what: (remote: Remote<T>) => Promise<R>): Promise<R> {
    if (this.#closed) throw new WorkerLost()
    const { remote, lost, ready } = this.#started()
    return Promise.race([ready.then(() => what(remote)), lost])
  }

  /** Ends the worker; whoever waits is told. */
  close(): void {
    this.#closed = true
    this.#end?.()
  }

  #end: (() => void) | undefined
  #ready: Promise<unknown> = Promise.resolve()

  #started(): Running<T> & { readonly ready: Promise<unknown> } {
    if (!this.#running) {
      const worker = this.start()
      const remote = wrap<T>(worker)
      const lost = new Promise<never>((_, reject) => {
        this.#end = () => {
          this.#running = null
          worker.terminate()
          reject(new WorkerLost())
        }
      })
      // nobody may be waiting when it happens
      lost.catch(() => undefined)
      worker.addEventListener('error', () => this.#end?.())
      worker.addEventListener('messageerror', () => this.#end?.())
      this.#running = { worker, remote, lost }
      this.#ready = this.prepare(remote)
      this.#ready.catch(() => undefined)
    }
    return { ...this.#running, ready: this.#ready }
  }
}
