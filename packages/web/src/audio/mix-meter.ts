import type { MixLoudness } from '@rudlo/core/assess'
import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix, Stretch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { MeasureAnswer, MeasureStart, MeasureTask } from './measure.worker'

const EVERYTHING: Stretch = { from: 0, to: Infinity }

/** Work shorter than this shows no progress, in ms. */
const SHOWN_AFTER = 300

/** Renders and measures the newest mix in a worker; what is under way for an older one is given up. */
export class MixMeter {
  readonly #worker = new Worker(new URL('./measure.worker.ts', import.meta.url), { type: 'module' })
  readonly #newest = new Int32Array(new SharedArrayBuffer(4))
  #asked = 0

  /** @param onProgress told the share done of work that takes a while; null when it is done or was short */
  constructor(
    song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    private readonly onMeasured: (loudness: MixLoudness) => void,
    private readonly onProgress: (share: number | null) => void,
  ) {
    this.#worker.onmessage = ({ data }: MessageEvent<MeasureAnswer>) => this.#take(data)
    this.#worker.postMessage({ song, audio, newest: this.#newest.buffer } satisfies MeasureStart)
  }

  /** @param seen what somebody looks at, in ticks: it comes first */
  measure(mix: Mix, seen: Stretch = EVERYTHING): void {
    const number = Atomics.add(this.#newest, 0, 1) + 1
    this.#asked = performance.now()
    this.#worker.postMessage({ number, mix, seen } satisfies MeasureTask)
  }

  close(): void {
    this.#worker.terminate()
    this.onProgress(null)
  }

  #take(data: MeasureAnswer): void {
    if (data.number !== Atomics.load(this.#newest, 0)) return
    if (data.kind === 'progress') {
      if (performance.now() - this.#asked > SHOWN_AFTER) this.onProgress(data.share)
      return
    }
    if (data.kind === 'seen') return this.onMeasured(data.loudness)
    this.onProgress(null)
    if (data.kind === 'measured') this.onMeasured(data.loudness)
  }
}
