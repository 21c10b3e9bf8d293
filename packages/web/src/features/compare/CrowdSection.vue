<script setup lang="ts">
/** Everybody's line of one lane on top of each other, with the middle half shaded. */
import type { Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import type { LineOfOne } from '@rudlo/contract/handins'
import { ref } from 'vue'
import type { Span } from '../../editor/lane/viewport'
import { usePlayer } from '../../engine/player-store'
import CrowdLane from '../../desk/crowd/CrowdLane.vue'
import { useCrowd } from '../../desk/crowd/use-crowd'
import RoomState from '../../ui/page/RoomState.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  start: Mix
  span: Span
  lanes: readonly { readonly address: string; readonly name: string }[]
  /** Null while they are on the way. */
  lines: readonly LineOfOne[] | null
  /** Whether it is said whose line is whose. */
  names: boolean
}>()
const emit = defineEmits<{
  /** A hand-in is to be looked at beside another. */
  side: [handIn: string]
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()
const lane = defineModel<string>('lane', { required: true })

const player = usePlayer()
const pointed = ref<string | null>(null)
const { control, drawn, middle } = useCrowd(() => ({ ...props, lane: lane.value }))
</script>

<template>
  <section class="sheet block crowd" :aria-label="t('compare.crowd')">
    <header>
      <h2>{{ t('compare.crowd') }}</h2>
      <SelectField
        v-model="lane"
        class="choice"
        bare
        :label="t('compare.lane')"
        :choices="lanes.map((l) => ({ value: l.address, text: l.name }))"
        data-test="crowd-lane"
      />
      <p v-if="lines" class="soft">
        {{ middle ? t('compare.shaded') : t('compare.shaded.later') }}
      </p>
    </header>
    <RoomState v-if="!lines" loading />
    <p v-else-if="!drawn.length" class="soft">{{ t('compare.nobody') }}</p>
    <div v-else-if="control" class="with-names">
      <CrowdLane
        :song="song"
        :time="time"
        :control="control"
        :span="span"
        :lines="drawn"
        :middle="middle"
        :pointed="pointed"
        :position="() => player.position"
        @zoom="(tick, factor) => emit('zoom', tick, factor)"
        @scroll="(ticks) => emit('scroll', ticks)"
        @go="player.seek"
      />
      <ul v-if="names">
        <li v-for="l in drawn" :key="l.handIn">
          <RowButton
            class="who"
            :aria-pressed="pointed === l.handIn"
            @mouseenter="pointed = l.handIn"
            @mouseleave="pointed = null"
            @focus="pointed = l.handIn"
            @blur="pointed = null"
            @click="emit('side', l.handIn)"
          >
            {{ l.student }}
          </RowButton>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped src="./section.css"></style>

<style scoped>
.with-names {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr) 190px;
  gap: 10px;
  min-height: 0;
}

.who {
  width: 100%;
  min-height: 32px;
  padding: 2px 10px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.who:hover,
.who[aria-pressed='true'] {
  background: var(--wash);
}
</style>
