import type { AssetAudio } from '@rudlo/core/engine'
import type { DecodeAnswer, DecodeTask } from './decode.worker'

/** What the decoders work with, as far as they need it of a worker. */
export type DecodeWorker = Pick<Worker, 'postMessage' | 'onmessage'>

interface Job {
  readonly task: DecodeTask
  readonly resolve: (audio: AssetAudio) => void
  readonly reject: (error: Error) => void
}

/**
 * Decodes recordings in workers, first come, first served. The first worker begins at once; the others join when the page
 * has come to rest, since a page that is being built needs a core for itself.
 */
export class Decoders {
  readonly #free: DecodeWorker[] = []
  readonly #queue: Job[] = []
  readonly #running = new Map<string, Job>()
  #started = 0
  #mayHelp = false

  /**
   * @param count workers in all
   * @param start makes one
   * @param rest is told whom to call when the page has come to rest
   */
  constructor(
    private readonly count: number,
    private readonly start: () => DecodeWorker,
    private readonly rest: (then: () => void) => void,
  ) {}

  /** Starts the workers before there is anything to decode: they take a moment to come up. */
  warm(): void {
    while (this.#started < this.count) this.#add()
  }

  /** @throws Error with one sentence where the audio is damaged */
  decode(task: DecodeTask): Promise<AssetAudio> {
    this.warm()
    return new Promise((resolve, reject) => {
      this.#queue.push({ task, resolve, reject })
      if (this.#running.size === 0 && this.#queue.length === 1) this.#askForRest()
      this.#next()
    })
  }

  #add(): void {
    const worker = this.start()
    this.#started++
    this.#free.push(worker)
    worker.onmessage = ({ data }: MessageEvent<DecodeAnswer>) => {
      const job = this.#running.get(data.id)
      this.#running.delete(data.id)
      this.#free.push(worker)
      if ('error' in data) job?.reject(new Error(data.error))
      else job?.resolve({ channels: data.channels, frames: data.channels[0]!.length })
      this.#next()
    }
  }

  /** A new lot of recordings comes with a new page: the helpers wait for that one. */
  #askForRest(): void {
    this.#mayHelp = false
    this.rest(() => {
      this.#mayHelp = true
      this.#next()
    })
  }

  #next(): void {
    while (this.#queue.length && this.#free.length && (this.#mayHelp || this.#running.size === 0)) {
      const job = this.#queue.shift()!
      this.#running.set(job.task.id, job)
      this.#free.shift()!.postMessage(job.task, [job.task.bytes.buffer as ArrayBuffer])
    }
  }
}
