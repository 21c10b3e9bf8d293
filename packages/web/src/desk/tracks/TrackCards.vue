<script setup lang="ts">
/** A card a track: its name, its lines in small, how strong it is now. Choosing one brings its lane to the desk. */
import { resolve, trackLevel, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import type { HeldPeak } from '../../engine/peak-hold'
import { lineInSmall, type SmallLine } from './line-in-small'
import TrackCard from './TrackCard.vue'
import { useCalm } from '../../engine/calm'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  mix: Mix
  address: string
  /** In the order of the tracks. */
  peaks: readonly HeldPeak[]
  isOpen: (address: string) => boolean
  /** Whether faders and switches are there to be moved. */
  mixer?: boolean
}>()
const emit = defineEmits<{
  choose: [address: string]
  /** All lines of a track are to be shown. */
  lines: [track: string]
}>()

const NONE: readonly SmallLine[] = []
/** Lines in small need not keep pace with a moving hand. */
const mix = useCalm(() => props.mix)
/** Every line in small by the track it belongs to, the volume last so that it lies on top. */
const lines = computed<ReadonlyMap<string, readonly SmallLine[]>>((before) => {
  const byTrack = new Map<string, SmallLine[]>()
  for (const { address, points } of mix.value.envelopes) {
    const found = points.length ? resolve(mix.value, address) : null
    if (!found?.owner) continue
    const { scale, family, name } = found.control
    const line = {
      address,
      name: name.toLowerCase(),
      family,
      path: lineInSmall(points, scale, props.song.length),
      points: points.length,
    }
    const list = byTrack.get(found.owner) ?? []
    if (address === trackLevel(found.owner)) list.push(line)
    else list.unshift(line)
    byTrack.set(found.owner, list)
  }
  // a card whose lines are as they were is not drawn again
  for (const [track, list] of byTrack) {
    const known = before?.get(track) as SmallLine[] | undefined
    if (known && isSame(known, list)) byTrack.set(track, known)
  }
  return byTrack
})

function isSame(one: readonly SmallLine[], two: readonly SmallLine[]): boolean {
  return (
    one.length === two.length &&
    one.every(
      (l, i) => l.address === two[i]!.address && l.path === two[i]!.path && l.points === two[i]!.points,
    )
  )
}

const levels = computed(() => new Map(mix.value.tracks.map((t) => [t.id, t.level])))
</script>

<template>
  <div class="cards" role="group" :aria-label="t('track.label')">
    <TrackCard
      v-for="(track, i) in song.tracks"
      :key="track.id"
      :track="track"
      :lines="lines.get(track.id) ?? NONE"
      :setting="levels.get(track.id) ?? 0"
      :address="address"
      :peak="peaks[i]"
      :open="isOpen(trackLevel(track.id))"
      :mixer="mixer"
      @choose="(chosen: string) => emit('choose', chosen)"
      @lines="emit('lines', track.id)"
    />
  </div>
</template>

<style scoped>
.cards {
  display: grid;
  flex: none;
  grid-auto-flow: column;
  grid-auto-columns: minmax(80px, 1fr);
  gap: 8px;
  overflow-x: auto;
}
</style>
