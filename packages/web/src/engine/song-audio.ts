import type { AssetAudio } from '@rudlo/core/engine'
import type { Sounding } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { beginAudio, loadAudio, type FillingAudio } from './asset-loader'
import type { PlayApi } from './play.worker'
import { WorkerHost } from './worker-host'

/** A song's recordings by id. */
export type SongAudio = readonly (readonly [string, AssetAudio])[]

/** Whether two mixes ask for the same tempo. */
export const isSameTempo = (a: Sounding['anew'], b: Sounding['anew']): boolean =>
  JSON.stringify(a) === JSON.stringify(b)

/** Players at work at a time. */
const PLAYERS = 2

/** What was played anew last: one song in one tempo is enough to be kept, for it is large. */
let last: { readonly key: string; readonly audio: Promise<SongAudio> } | null = null

async function playedAnew(song: SongVersion, onProgress: (share: number) => void): Promise<SongAudio> {
  const left = [...song.assets]
  const made: (readonly [string, AssetAudio])[] = []
  const playOn = async () => {
    const host = new WorkerHost<PlayApi>(
      () => new Worker(new URL('./play.worker.ts', import.meta.url), { type: 'module' }),
    )
    try {
      for (let asset = left.shift(); asset; asset = left.shift()) {
        const { id } = asset
        const sound = await host.ask((remote) => remote.play(song, id))
        if (sound) made.push([id, sound])
        onProgress(made.length / song.assets.length)
      }
    } finally {
      host.close()
    }
  }
  await Promise.all(Array.from({ length: PLAYERS }, playOn))
  return made
}

/** What a song sounds with: its recordings, or what was played anew from its notes in another tempo. */
export function audioOf(
  { song, anew }: Pick<Sounding, 'song' | 'anew'>,
  onProgress: (share: number) => void = () => undefined,
): Promise<SongAudio> {
  if (!anew) return loadAudio(asHeard(song), onProgress)
  const key = JSON.stringify([song.assets.map((asset) => asset.id), anew])
  if (last?.key === key) return last.audio
  const audio = playedAnew(song, onProgress)
  last = { key, audio }
  audio.catch(() => (last = last?.audio === audio ? null : last))
  return audio
}

/** The recordings of a song in the order in which they are heard. */
function asHeard({ assets, regions }: SongVersion): SongVersion['assets'] {
  const first = new Map<string, number>()
  for (const { asset, start } of regions) first.set(asset, Math.min(start, first.get(asset) ?? Infinity))
  return [...assets].sort((a, b) => (first.get(a.id) ?? Infinity) - (first.get(b.id) ?? Infinity))
}

/**
 * What a song sounds with, as soon as its first seconds are there: the rest is waited for where it is needed. What is played anew
 * in another tempo is whole from the start.
 */
export async function audioToHear(
  sounding: Pick<Sounding, 'song' | 'anew'>,
  onProgress: (share: number) => void,
): Promise<Pick<FillingAudio, 'audio' | 'whole'>> {
  if (sounding.anew) {
    const audio = await audioOf(sounding, onProgress)
    return { audio, whole: () => Promise.resolve() }
  }
  const filling = beginAudio(asHeard(sounding.song))
  await filling.begun()
  return filling
}
