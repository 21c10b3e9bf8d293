import { compileMix, type AssetAudio } from '@rudlo/core/engine'
import { InstantLoudness } from '@rudlo/core/instant'
import { isColoured, plainMix, type Mix, type Region, type TrackMix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { TableApi } from './table.worker'
import { WorkerHost } from './worker-host'

/**
 * Whether the loudness of a mix follows from the table alone: no effects that do anything, no sends, all regions as they
 * were recorded.
 */
export function isDry(mix: Mix, recorded: Mix): boolean {
  return mix.tracks.every(
    (t, i) => !isColoured(mix, t) && !t.sends.length && isRecorded(t, recorded.tracks[i]),
  )
}

/** Whether the regions of a track are as they were when the table was made. */
export function isRecorded(track: TrackMix, recorded: TrackMix | undefined): boolean {
  const [now, then] = [track.regions, recorded?.regions ?? []]
  if (now === then) return true
  return now.length === then.length && now.every((r, i) => isSame(r, then[i]!))
}

const isSame = (a: Region, b: Region) =>
  (Object.keys(a) as (keyof Region)[]).every((key) => a[key] === b[key])

/** Makes instant loudness for a song in a worker. */
export class InstantHost {
  readonly #worker = new WorkerHost<TableApi>(
    () => new Worker(new URL('./table.worker.ts', import.meta.url), { type: 'module' }),
  )

  /** @param onReady told once; never where the song is none that a table can be made of, or the worker died twice */
  constructor(
    song: SongVersion,
    audio: readonly (readonly [string, AssetAudio])[],
    onReady: (instant: InstantLoudness) => void,
  ) {
    const { tracks, length, tempo } = compileMix(song, plainMix(song))
    const parts = tracks.map(({ channels, regions }) => ({ channels, regions }))
    this.#worker
      .ask((remote) => remote.table({ tracks: parts, audio, length }))
      .then(
        (table) => (table ? onReady(new InstantLoudness(table, tempo)) : undefined),
        // loudness is measured by rendering then, a little later
        () => undefined,
      )
      .finally(() => this.close())
  }

  close(): void {
    this.#worker.close()
  }
}
