/** A FLAC file or its beginning, and where the samples of each channel go. */
export interface DecodeTask {
  readonly bytes: Uint8Array
  readonly into: readonly Int16Array[]
}

/** What decodes one file at a time. */
export interface Decoder {
  warm(): void
  /** Decodes the beginning of a file. @returns how many samples are there now */
  head(task: DecodeTask): Promise<number>
  /** @throws Error with one sentence where the audio is damaged, or what decodes has died */
  decode(task: DecodeTask): Promise<void>
}

interface Job {
  run(decoder: Decoder): Promise<void>
  fail(error: Error): void
}

/**
 * Decodes recordings in several decoders, first come, first served. The first one begins at once; the others join when the page
 * has come to rest, since a page that is being built needs a core for itself.
 */
export class Decoders {
  readonly #free: Decoder[] = []
  readonly #heads: Job[] = []
  readonly #queue: Job[] = []
  #running = 0
  #started = 0
  #mayHelp = false

  /**
   * @param count decoders in all
   * @param start makes one
   * @param rest is told whom to call when the page has come to rest
   */
  constructor(
    private readonly count: number,
    private readonly start: () => Decoder,
    private readonly rest: (then: () => void) => void,
  ) {}

  /** Starts the decoders before there is anything to decode: they take a moment to come up. */
  warm(): void {
    for (; this.#started < this.count; this.#started++) {
      const decoder = this.start()
      decoder.warm()
      this.#free.push(decoder)
    }
  }

  /** The beginning of a file: before all whole files. @returns how many samples are there now */
  head(task: DecodeTask): Promise<number> {
    return this.#ask(this.#heads, (decoder) => decoder.head(task))
  }

  /** @throws Error with one sentence where the audio is damaged, or what decodes has died */
  decode(task: DecodeTask): Promise<void> {
    return this.#ask(this.#queue, (decoder) => decoder.decode(task))
  }

  #ask<T>(queue: Job[], work: (decoder: Decoder) => Promise<T>): Promise<T> {
    this.warm()
    return new Promise((resolve, reject) => {
      queue.push({ run: async (decoder) => resolve(await work(decoder)), fail: reject })
      if (this.#running === 0 && this.#waiting === 1) this.#askForRest()
      this.#next()
    })
  }

  get #waiting(): number {
    return this.#queue.length + this.#heads.length
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
    // beginnings are short and waited for: all decoders take them at once
    while (this.#free.length && (this.#heads.length || this.#mayHelp || this.#running === 0)) {
      const job = this.#heads.shift() ?? this.#queue.shift()
      if (!job) return
      void this.#do(job, this.#free.shift()!)
    }
  }

  async #do(job: Job, decoder: Decoder): Promise<void> {
    this.#running++
    try {
      await job.run(decoder)
    } catch (error) {
      job.fail(error as Error)
    }
    this.#running--
    this.#free.push(decoder)
    this.#next()
  }
}
