/** Web worker that renders the mix and measures its loudness over time: the stretch that changed, until a newer mix comes. */
import { MixLoudnessMeter, type MixLoudness } from '@rudlo/core/assess'
import type { AssetAudio } from '@rudlo/core/engine'
import type { Mix, Stretch } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'

export interface MeasureStart {
  readonly song: SongVersion
  readonly audio: readonly (readonly [string, AssetAudio])[]
  /** One number in shared memory: the newest mix that was asked for. An older one is given up. */
  readonly newest: SharedArrayBuffer
}

export interface MeasureTask {
  readonly number: number
  readonly mix: Mix
  /** What somebody looks at, in ticks: where much more is to be rendered, it comes first. */
  readonly seen: Stretch
}

export type MeasureAnswer =
  | { readonly kind: 'progress'; readonly number: number; readonly share: number }
  | { readonly kind: 'given up'; readonly number: number }
  /** What is looked at is done; the rest is still as it was. */
  | { readonly kind: 'seen'; readonly number: number; readonly loudness: MixLoudness }
  | { readonly kind: 'measured'; readonly number: number; readonly loudness: MixLoudness }

let meter: MixLoudnessMeter | null = null
let newest: Int32Array | null = null
/** The mix as the page sent it, by parts that stayed the same: what comes over the message port is a copy each time. */
let last: Mix | null = null

const answer = (message: MeasureAnswer) => self.postMessage(message)

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

self.onmessage = ({ data }: MessageEvent<MeasureStart | MeasureTask>) => {
  if ('song' in data) {
    meter = new MixLoudnessMeter(data.song, new Map(data.audio))
    newest = new Int32Array(data.newest)
    return
  }
  const { number } = data
  const mix = joined(data.mix)
  const { seen } = data
  const goesOn = (share: number) => {
    answer({ kind: 'progress', number, share })
    return Atomics.load(newest!, 0) === number
  }
  const show = (loudness: MixLoudness) => answer({ kind: 'seen', number, loudness })
  const loudness = meter!.measure(mix, goesOn, { seen, show })
  if (!loudness) return answer({ kind: 'given up', number })
  last = mix
  answer({ kind: 'measured', number, loudness })
}
