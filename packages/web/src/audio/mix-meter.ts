import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { MeasureAnswer, MeasureTask } from './measure.worker'

/** Renders and measures the newest mix in a worker; a mix that came meanwhile waits, older ones are dropped. */
export class MixMeter {
  readonly #worker = new Worker(new URL('./measure.worker.ts', import.meta.url), { type: 'module' })
  #audio: readonly (readonly [string, AssetAudio])[] | null
  #number = 0
  #busy = false
  #next: Mix | null = null

  constructor(
    private readonly song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    private readonly onMeasured: (answer: MeasureAnswer) => void,
  ) {
    this.#audio = audio
    this.#worker.onmessage = ({ data }: MessageEvent<MeasureAnswer>) => {
      this.#busy = false
      this.onMeasured(data)
      if (this.#next) this.measure(this.#next)
    }
  }

  measure(mix: Mix): void {
    if (this.#busy) {
      this.#next = mix
      return
    }
    this.#next = null
    this.#busy = true
    this.#worker.postMessage({
      number: ++this.#number,
      song: this.song,
      mix,
      audio: this.#audio,
    } satisfies MeasureTask)
    this.#audio = null
  }

  close(): void {
    this.#worker.terminate()
  }
}
