import { soundsOf, type Sounds } from '@rudlo/core/brief'
import type { Overview } from '@rudlo/core/exchange'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { loadOverview } from '../../engine/asset-loader'

/** The loudest a sample of an overview can be. */
const FULL = 128

/** Highest amplitude between two samples, by the finest zoom. */
export function peakIn({ step, zooms }: Overview, from: number, to: number): number {
  const finest = zooms[0]!
  let highest = 0
  const last = Math.min(finest.length / 2, Math.ceil(to / step))
  for (let i = Math.max(0, Math.floor(from / step)); i < last; i++)
    highest = Math.max(highest, -finest[2 * i]!, finest[2 * i + 1]!)
  return highest / FULL
}

/** Where the tracks of a song sound, by the pictures of their recordings; by their regions where those cannot be had. */
export async function soundsHere(song: SongVersion, mix: Mix): Promise<Sounds> {
  try {
    const all = await Promise.all(song.assets.map(async (a) => [a.id, await loadOverview(a)] as const))
    const overviews = new Map(all)
    return soundsOf(song, mix, (asset, from, to) => {
      const overview = overviews.get(asset)
      return overview ? peakIn(overview, from, to) : 1
    })
  } catch {
    return soundsOf(song, mix)
  }
}
