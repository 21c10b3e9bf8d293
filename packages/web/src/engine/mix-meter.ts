import type { MixLoudness } from '@rudlo/core/assess'
import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix, Stretch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { proxy } from 'comlink'
import type { MeasureApi, MeasureEars } from './measure.worker'
import { WorkerHost } from './worker-host'

const EVERYTHING: Stretch = { from: 0, to: Infinity }

/** Work shorter than this shows no progress, in ms. */
const SHOWN_AFTER = 300

/** Renders and measures the newest mix in a worker; what is under way for an older one is given up. */
export class MixMeter {
  readonly #worker: WorkerHost<MeasureApi>
  readonly #newest = new Int32Array(new SharedArrayBuffer(4))
  #asked = 0

  /**
   * @param onProgress told the share done of work that takes a while; null when it is done or was short
   * @param onLost told where the worker died and a fresh one did as well
   */
  constructor(
    song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    private readonly onMeasured: (loudness: MixLoudness) => void,
    private readonly onProgress: (share: number | null) => void,
    private readonly onLost: (error: Error) => void = () => undefined,
  ) {
    this.#worker = new WorkerHost<MeasureApi>(
      () => new Worker(new URL('./measure.worker.ts', import.meta.url), { type: 'module' }),
      (remote) => remote.begin(song, audio, this.#newest.buffer),
    )
    this.#worker.warm()
  }

  /** @param seen what somebody looks at, in ticks: it comes first */
  measure(mix: Mix, seen: Stretch = EVERYTHING): void {
    const number = Atomics.add(this.#newest, 0, 1) + 1
    this.#asked = performance.now()
    this.#worker
      .ask((remote) => remote.measure({ number, mix, seen }, this.#ears))
      .then(
        (loudness) => {
          if (!this.#isNewest(number)) return
          this.onProgress(null)
          if (loudness) this.onMeasured(loudness)
        },
        (error: Error) => {
          if (!this.#isNewest(number)) return
          this.onProgress(null)
          this.onLost(error)
        },
      )
  }

  readonly #ears: MeasureEars = proxy({
    progress: (number: number, share: number) => {
      if (this.#isNewest(number) && performance.now() - this.#asked > SHOWN_AFTER) this.onProgress(share)
    },
    seen: (number: number, loudness: MixLoudness) => {
      if (this.#isNewest(number)) this.onMeasured(loudness)
    },
  })

  #isNewest(number: number): boolean {
    return number === Atomics.load(this.#newest, 0)
  }

  close(): void {
    // whoever is told of it afterwards is not the newest
    Atomics.add(this.#newest, 0, 1)
    this.#worker.close()
    this.onProgress(null)
  }
}
