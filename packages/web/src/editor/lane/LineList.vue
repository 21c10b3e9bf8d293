<script setup lang="ts">
/** Every line of one track or return, small and one under the other, with the play position through all of them. */
import { laneControlName } from '@rudlo/core/assess'
import { valueAt } from '@rudlo/core/envelope'
import { envelopeOf, lanesOf, resolve, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { counted } from '@rudlo/words'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import LiveText from '../../ui/LiveText.vue'
import LaneSign from './LaneSign.vue'
import ReadLane from './ReadLane.vue'
import type { Span } from './viewport'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  mix: Mix
  /** Id of the track or return. */
  owner: string
  /** The stretch in view. */
  span: Span
}>()
const emit = defineEmits<{
  /** A line is to be shown large. */
  choose: [address: string]
  close: []
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()

const player = usePlayer()
const name = computed(
  () => [...props.song.tracks, ...props.mix.returns].find((o) => o.id === props.owner)?.name ?? '',
)
const lines = computed(() =>
  lanesOf(props.mix, props.owner).flatMap((address) => {
    const points = envelopeOf(props.mix, address)?.points ?? []
    const found = resolve(props.mix, address)
    if (!points.length || !found) return []
    const { control } = found
    const now = () => control.unit.format(valueAt(points, control.scale, player.told.position))
    return [{ address, name: laneControlName(props.mix, address), control, now, points: points.length }]
  }),
)
const isTrack = computed(() => props.song.tracks.some((track) => track.id === props.owner))
const alone = computed(() => player.solo[isTrack.value ? 'tracks' : 'returns'].includes(props.owner))
const listen = () => player.toggleSolo(isTrack.value ? 'tracks' : 'returns', props.owner, true)
</script>

<template>
  <section class="sheet line-list" :aria-label="t('lines.of', { name })" data-test="line-list">
    <header>
      <h2>{{ t('lines.of', { name }) }}</h2>
      <AppButton small :aria-pressed="alone" data-test="line-list-alone" @click="listen">{{
        t('lines.alone', { name })
      }}</AppButton>
      <IconButton icon="close" :label="t('lines.close')" data-test="close-lines" @click="emit('close')" />
    </header>
    <p v-if="!lines.length" class="soft none">{{ t('lines.none', { name }) }}</p>
    <div class="rows">
      <div v-for="l in lines" :key="l.address" class="line">
        <RowButton
          class="name"
          :tip="t('track.line.tip', { line: l.name })"
          :data-test="`list-${l.address}`"
          @click="emit('choose', l.address)"
        >
          <span class="what"><LaneSign :family="l.control.family" />{{ l.name }}</span>
          <b><LiveText :text="l.now" /></b>
          <span class="soft">{{ counted(l.points, 'points') }}</span>
        </RowButton>
        <ReadLane
          class="picture"
          :song="song"
          :time="time"
          :mix="mix"
          :address="l.address"
          :span="span"
          @bars="({ from }) => player.seek(from)"
          @zoom="(tick, factor) => emit('zoom', tick, factor)"
          @scroll="(ticks) => emit('scroll', ticks)"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.line-list {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
  overflow: hidden;
}

header {
  display: flex;
  flex: none;
  gap: var(--space-2);
  align-items: center;
  padding: var(--space-2) var(--space-2) var(--space-2) var(--space-4);
  border-bottom: 1px solid var(--rule);
}

h2 {
  flex: 1;
  font-size: var(--text-3);
}

.none {
  padding: var(--space-4);
}

.rows {
  display: grid;
  /* few lines are larger */
  grid-auto-rows: minmax(92px, 180px);
  flex: 1;
  min-height: 0;
  overflow-y: auto;
}

.line {
  display: grid;
  grid-template-columns: 186px minmax(0, 1fr);
}

.line + .line {
  border-top: 1px solid var(--rule);
}

.name {
  display: grid;
  align-content: center;
  padding: 0 var(--space-4);
  border-right: 1px solid var(--rule);
  text-align: left;
}

.name:hover {
  background: var(--wash);
}

.what {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

.name .soft {
  font-size: var(--text-1);
}
</style>
