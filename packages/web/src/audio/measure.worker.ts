/** Web worker that renders the mix and measures its loudness over time, for the song strip. */
import { compileMix, render, type AssetAudio } from '@rudlo/core/engine'
import { measureLoudness } from '@rudlo/core/loudness'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'

export interface MeasureTask {
  readonly number: number
  readonly song: SongVersion
  readonly mix: Mix
  readonly audio: readonly (readonly [string, AssetAudio])[] | null
}

export interface MeasureAnswer {
  readonly number: number
  readonly momentary: Float64Array
  readonly integrated: number | null
  readonly truePeak: number
}

let audio = new Map<string, AssetAudio>()

self.onmessage = ({ data }: MessageEvent<MeasureTask>) => {
  if (data.audio) audio = new Map(data.audio)
  const sound = render(compileMix(data.song, data.mix), audio)
  if (!sound) return
  const { momentary, integrated, truePeak } = measureLoudness(SAMPLE_RATE, [sound.left, sound.right])
  self.postMessage({ number: data.number, momentary, integrated, truePeak } satisfies MeasureAnswer)
}
