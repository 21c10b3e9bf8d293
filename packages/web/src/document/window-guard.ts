import { server, told } from '../api/client'

const ASK_MS = 4000

/** Tells this window when the work is opened in another one, in this browser or elsewhere. */
export class WindowGuard {
  readonly #window = crypto.randomUUID()
  readonly #channel: BroadcastChannel | null
  #timer: ReturnType<typeof setInterval>
  #mine = true

  constructor(
    private readonly workId: string,
    private readonly onElsewhere: () => void,
  ) {
    this.#channel = openChannel(`rudlo-work-${workId}`)
    if (this.#channel)
      this.#channel.onmessage = ({ data }: MessageEvent<string>) => data !== this.#window && this.#lose()
    this.#timer = setInterval(() => void this.#ask(), ASK_MS)
  }

  /** Takes the work for this window. */
  async claim(): Promise<void> {
    this.#mine = true
    this.#channel?.postMessage(this.#window)
    await told(
      server.works[':work'].window.$put({ param: { work: this.workId }, json: { window: this.#window } }),
    ).catch(() => null)
  }

  close(): void {
    clearInterval(this.#timer)
    this.#channel?.close()
  }

  async #ask(): Promise<void> {
    if (!this.#mine || document.hidden) return
    const head = await told(server.works[':work'].head.$get({ param: { work: this.workId } })).catch(
      () => null,
    )
    if (head && head.window && head.window !== this.#window) this.#lose()
  }

  #lose(): void {
    if (!this.#mine) return
    this.#mine = false
    this.onElsewhere()
  }
}

/** Windows of one browser tell each other at once; where that is not allowed, the server tells them. */
function openChannel(name: string): BroadcastChannel | null {
  try {
    return new BroadcastChannel(name)
  } catch {
    return null
  }
}
