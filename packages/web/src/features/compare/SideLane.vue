<script setup lang="ts">
/** One of two hand-ins beside each other: its line of the lane, the other's faintly under it. */
import { lineOf } from '@rudlo/core/compare'
import { resolve, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import ReadLane from '../../editor/lane/ReadLane.vue'
import type { Span } from '../../editor/lane/viewport'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const props = defineProps<{
  title: string
  song: SongVersion
  time: SongTime
  mix: Mix
  other: Mix | null
  address: string
  span: Span
  heard: boolean
}>()
const emit = defineEmits<{
  hear: []
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()

const player = usePlayer()
const under = computed(() => props.other && lineOf(props.other, props.address))
const there = computed(() => resolve(props.mix, props.address) !== null)
</script>

<template>
  <div class="side">
    <header>
      <b>{{ title }}</b>
      <AppButton
        small
        :aria-pressed="heard"
        :disabled="!player.ready"
        data-test="hear-side"
        @click="emit('hear')"
      >
        <v-icon icon="$play" size="16" />{{ t('tries.hear') }}
      </AppButton>
    </header>
    <ReadLane
      v-if="there"
      class="canvas"
      :song="song"
      :time="time"
      :mix="mix"
      :address="address"
      :span="span"
      :under="under"
      @zoom="(tick, factor) => emit('zoom', tick, factor)"
      @scroll="(ticks) => emit('scroll', ticks)"
    />
    <p v-else class="soft">{{ t('compare.no-lane') }}</p>
  </div>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: 6px;
  min-height: 140px;
}

header {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
}

.canvas {
  flex: 1;
  border: 1px solid var(--rule);
  border-radius: 8px;
}
</style>
