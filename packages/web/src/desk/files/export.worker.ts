/** Web worker that renders a mix to WAV: the mixdown, or all stems in one zip. Ended from outside where it is stopped. */
import { compileMix, renderStems, type AssetAudio } from '@rudlo/core/engine'
import { stemName, writeWav } from '@rudlo/core/exchange'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { expose, transfer } from 'comlink'
import { zipSync } from 'fflate'
import { mixdown } from './mixdown'

export interface ExportTask {
  readonly what: 'mixdown' | 'stems'
  readonly song: SongVersion
  readonly mix: Mix
  readonly audio: readonly (readonly [string, AssetAudio])[]
}

async function make(
  { what, song, mix, audio }: ExportTask,
  progress: (share: number) => void,
): Promise<Uint8Array> {
  const program = compileMix(song, mix)
  const store = new Map(audio)
  const options = {
    tail: true,
    onProgress: (share: number) => {
      progress(share)
      return true
    },
  }
  if (what === 'mixdown') {
    const { left, right } = await mixdown(program, store, options)
    return writeWav(SAMPLE_RATE, [left, right])
  }
  const name = new Map(song.tracks.map((t) => [t.id, t.name]))
  const stems = renderStems(program, store, options)!.map(
    ({ track, sound }, i) =>
      [stemName(i, name.get(track) ?? ''), writeWav(SAMPLE_RATE, [sound.left, sound.right])] as const,
  )
  return zipSync(Object.fromEntries(stems), { level: 1 })
}

const api = {
  /** @param progress told the share done, 0…1 */
  async make(task: ExportTask, progress: (share: number) => void): Promise<Uint8Array<ArrayBuffer>> {
    const file = new Uint8Array(await make(task, progress))
    return transfer(file, [file.buffer])
  },
}
export type ExportApi = typeof api
expose(api)
