/** Web worker that renders the mix and measures its loudness over time: the stretch that changed, until a newer mix comes. */
import { MixLoudnessMeter, type MixLoudness } from '@rudlo/core/assess'
import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix, Stretch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { expose } from 'comlink'

export interface MeasureTask {
  readonly number: number
  readonly mix: Mix
  /** What somebody looks at, in ticks: where much more is to be rendered, it comes first. */
  readonly seen: Stretch
}

/** What is told while it is measured. */
export interface MeasureEars {
  progress(number: number, share: number): void
  /** What is looked at is done; the rest is still as it was. */
  seen(number: number, loudness: MixLoudness): void
}

let meter: MixLoudnessMeter | null = null
let newest: Int32Array | null = null
/** The mix as the page sent it, by parts that stayed the same: what comes over the message port is a copy each time. */
let last: Mix | null = null

/** Gives a copy the parts of the mix before it that are alike, so that it is seen what changed. */
function joined(mix: Mix): Mix {
  const before = last
  if (!before) return mix
  const alike = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)
  return {
    ...mix,
    tracks: alike(before.tracks, mix.tracks) ? before.tracks : mix.tracks,
    returns: alike(before.returns, mix.returns) ? before.returns : mix.returns,
    main: before.main.level === mix.main.level ? before.main : mix.main,
  }
}

const api = {
  /** @param shared one number in shared memory: the newest mix that was asked for. An older one is given up. */
  begin(
    song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    shared: SharedArrayBuffer,
  ): void {
    meter = new MixLoudnessMeter(song, new Map(audio))
    newest = new Int32Array(shared)
  },

  /** @returns null where it was given up for a newer one */
  measure({ number, mix: sent, seen }: MeasureTask, ears: MeasureEars): MixLoudness | null {
    const mix = joined(sent)
    const goesOn = (share: number) => {
      ears.progress(number, share)
      return Atomics.load(newest!, 0) === number
    }
    const show = (loudness: MixLoudness) => ears.seen(number, loudness)
    const loudness = meter!.measure(mix, goesOn, { seen, show })
    if (loudness) last = mix
    return loudness
  },
}
export type MeasureApi = typeof api
expose(api)
