/** Worker thread that renders a stored work to a WAV file. */
import { compileMix, render, type AudioStore } from '@rudlo/core/engine'
import { writeWav } from '@rudlo/core/exchange'
import { soundingOf } from '@rudlo/core/mix'
import { playedAnew } from '@rudlo/core/players'
import type { SongVersion } from '@rudlo/core/song'
import { readWork } from '@rudlo/core/stored'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { answering } from './answering'

export interface MixdownTask {
  readonly song: SongVersion
  /** A work as it is stored. */
  readonly document: string
  /** The song's recordings by asset id, in shared memory. */
  readonly audio: AudioStore
}

function mixdown({ song: written, document, audio }: MixdownTask): Uint8Array {
  const { song, mix, anew } = soundingOf(written, readWork(document).mix)
  const { left, right } = render(compileMix(song, mix), anew ? playedAnew(song) : audio, { tail: true })!
  return writeWav(SAMPLE_RATE, [left, right])
}

export default answering<MixdownTask, Uint8Array>(mixdown)
