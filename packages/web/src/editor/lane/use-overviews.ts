import type { Overview } from '@rudlo/core/exchange'
import type { SongVersion } from '@rudlo/core/song'
import { shallowRef, watchEffect } from 'vue'
import { loadOverview } from '../../engine/asset-loader'

/** Waveform overviews of a song, filled as they arrive. A lane without one still works. */
export function useOverviews(song: () => SongVersion | null) {
  const overviews = shallowRef<ReadonlyMap<string, Overview>>(new Map())
  watchEffect(() => {
    for (const asset of song()?.assets ?? []) {
      loadOverview(asset).then(
        (overview) => (overviews.value = new Map(overviews.value).set(asset.id, overview)),
        () => null,
      )
    }
  })
  return overviews
}
