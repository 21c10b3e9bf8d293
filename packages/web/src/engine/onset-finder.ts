import { regionEnds, type Region } from '@rudlo/core/mix'
import type { AssetInfo } from '@rudlo/core/song'
import { SAMPLE_RATE, type TempoMap } from '@rudlo/core/time'
import { loadAudio } from './asset-loader'
import type { OnsetApi } from './onset.worker'
import { WorkerHost } from './worker-host'

const found = new Map<string, Promise<readonly number[]>>()
const finder = new WorkerHost<OnsetApi>(
  () => new Worker(new URL('./onset.worker.ts', import.meta.url), { type: 'module' }),
)

/** Where sounds begin in a recording, in samples; looked for once. @throws Error where the worker died */
function onsetsOf(asset: AssetInfo): Promise<readonly number[]> {
  const known = found.get(asset.id)
  if (known) return known
  const made = loadAudio([asset], () => undefined).then(([pair]) =>
    finder.ask((remote) => remote.onsets(pair![1].channels)),
  )
  found.set(asset.id, made)
  made.catch(() => found.delete(asset.id))
  return made
}

/** Where sounds begin in some regions, in ticks of the song; in rising time. */
export async function regionOnsets(
  regions: readonly Region[],
  assets: readonly AssetInfo[],
  tempo: TempoMap,
): Promise<readonly number[]> {
  const lists = await Promise.all(
    regions.map(async (region) => {
      const asset = assets.find((a) => a.id === region.asset)
      const samples = asset ? await onsetsOf(asset) : []
      return placeOnsets(samples, region, tempo)
    }),
  )
  return lists.flat().sort((a, b) => a - b)
}

/** The onsets of a recording that a region plays, in ticks of the song. */
export function placeOnsets(samples: readonly number[], region: Region, tempo: TempoMap): number[] {
  const start = tempo.secondsAt(region.start)
  const { to } = regionEnds(region, tempo)
  return samples
    .filter((s) => s >= region.offset)
    .map((s) => Math.round(tempo.tickAt(start + (s - region.offset) / SAMPLE_RATE)))
    .filter((tick) => tick < to)
}
