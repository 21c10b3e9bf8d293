import { regionEnds, type Region } from '@rudlo/core/mix'
import type { AssetInfo } from '@rudlo/core/song'
import { SAMPLE_RATE, type TempoMap } from '@rudlo/core/time'
import { loadAudio } from './asset-loader'
import type { OnsetAnswer, OnsetTask } from './onset.worker'

const found = new Map<string, Promise<readonly number[]>>()
const waiting = new Map<string, (samples: readonly number[]) => void>()
let worker: Worker | null = null

function finder(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./onset.worker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<OnsetAnswer>) => waiting.get(data.id)?.(data.samples)
  }
  return worker
}

/** Where sounds begin in a recording, in samples; looked for once. */
function onsetsOf(asset: AssetInfo): Promise<readonly number[]> {
  const known = found.get(asset.id)
  if (known) return known
  const made = loadAudio([asset], () => undefined).then(
    ([pair]) =>
      new Promise<readonly number[]>((resolve) => {
        waiting.set(asset.id, resolve)
        finder().postMessage({ id: asset.id, channels: pair![1].channels } satisfies OnsetTask)
      }),
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
