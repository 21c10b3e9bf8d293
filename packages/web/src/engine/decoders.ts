import type { AssetAudio } from '@rudlo/core/engine'

/** A FLAC file, and the samples that each of its channels must have. */
export interface DecodeTask {
  readonly bytes: Uint8Array
  readonly frames: number
}

/** What decodes one file at a time. */
export interface Decoder {
  warm(): void
  /** @throws Error with one sentence where the audio is damaged, or what decodes has died */
  decode(task: DecodeTask): Promise<Int16Array[]>
}

interface Job {
  readonly task: DecodeTask
  readonly resolve: (audio: AssetAudio) => void
  readonly reject: (error: Error) => void
}

/**
 * Decodes recordings in several decoders, first come, first served. The first one begins at once; the others join when the page
 * has come to rest, since a page that is being built needs a core for itself.
 */
export class Decoders {
  readonly #free: Decoder[] = []
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

  /** @throws Error with one sentence where the audio is damaged, or what decodes has died */
  decode(task: DecodeTask): Promise<AssetAudio> {
    this.warm()
    return new Promise((resolve, reject) => {
      this.#queue.push({ task, resolve, reject })
      if (this.#running === 0 && this.#queue.length === 1) this.#askForRest()
      this.#next()
    })
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
    while (this.#queue.length && this.#free.length && (this.#mayHelp || this.#running === 0))
      void this.#do(this.#queue.shift()!, this.#free.shift()!)
  }

  async #do({ task, resolve, reject }: Job, decoder: Decoder): Promise<void> {
    this.#running++
    try {
      const channels = await decoder.decode(task)
      resolve({ channels, frames: channels[0]!.length })
    } catch (error) {
      reject(error as Error)
    }
    this.#running--
    this.#free.push(decoder)
    this.#next()
  }
}
