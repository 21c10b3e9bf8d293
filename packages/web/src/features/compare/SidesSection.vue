<script setup lang="ts">
/** Two hand-ins side by side: their lines, heard one after the other, and what is different. */
import { sayChanges } from '@rudlo/core/compare'
import { Sayer } from '@rudlo/sentences'
import { resolve, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import type { HandInView, QueueEntry } from '@rudlo/contract/handins'
import { computed, ref, shallowRef, watch } from 'vue'
import { openHandIn } from '../../api/hand-in'
import type { Span } from '../../editor/lane/viewport'
import { usePlayer } from '../../engine/player-store'
import { attempt } from '../../ui/forms/attempt'
import SideLane from './SideLane.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  start: Mix
  span: Span
  lane: string
  queue: readonly QueueEntry[]
  /** Whether it is said whose line is whose. */
  names: boolean
}>()
const emit = defineEmits<{
  problem: [sentence: string]
  zoom: [tick: number, factor: number]
  scroll: [ticks: number]
}>()
/** The hand-ins on both sides; empty for none. */
const chosen = defineModel<[string, string]>('chosen', { required: true })

const player = usePlayer()
const sides = shallowRef<readonly [HandInView | null, HandInView | null]>([null, null])
const heard = ref<0 | 1 | null>(null)
const control = computed(() => resolve(props.start, props.lane)?.control ?? null)

watch(
  chosen,
  ([a, b]) =>
    attempt(
      async () => {
        const take = (id: string) => (id ? openHandIn(id) : Promise.resolve(null))
        sides.value = await Promise.all([take(a), take(b)])
        heard.value = null
      },
      (sentence) => emit('problem', sentence),
    ),
  { deep: true, immediate: true },
)

const nameOf = ({ student, number }: QueueEntry) => t('sheet.entry', { student, number })
const titleOf = (side: 0 | 1) => {
  const entry = props.queue.find((q) => q.id === chosen.value[side])
  return entry ? (props.names ? nameOf(entry) : t(side ? 'compare.another' : 'compare.one')) : ''
}
const choices = computed(() =>
  props.queue.map((q, i) => ({
    value: q.id,
    text: props.names ? nameOf(q) : t('compare.nameless', { number: i + 1 }),
  })),
)
function choose(side: 0 | 1, id: string): void {
  chosen.value = side ? [chosen.value[0], id] : [id, chosen.value[1]]
}
const difference = computed(() => {
  const [a, b] = sides.value
  if (!a || !b) return []
  const one = { mix: a.document.mix, measured: a.measurement }
  const two = { mix: b.document.mix, measured: b.measurement }
  const sayer = new Sayer({ song: props.song, mix: two.mix, start: one.mix })
  return sayer.all(sayChanges(props.song, one, two))
})

function hear(side: 0 | 1): void {
  const mix = sides.value[side]?.document.mix
  if (!mix) return
  heard.value = side
  player.load(mix)
  if (!player.playing) void player.play()
}
</script>

<template>
  <section class="sheet block" :aria-label="t('compare.sides')">
    <header>
      <h2>{{ t('compare.sides') }}</h2>
      <SelectField
        v-for="side in [0, 1] as const"
        :key="side"
        class="choice"
        bare
        :model-value="chosen[side]"
        :label="t('compare.side', { number: side + 1 })"
        :choices="choices"
        @update:model-value="(id) => choose(side, id)"
      />
    </header>
    <div class="sides">
      <template v-for="side in [0, 1] as const" :key="side">
        <SideLane
          v-if="sides[side] && control"
          :title="titleOf(side)"
          :song="song"
          :time="time"
          :mix="sides[side]!.document.mix"
          :other="sides[1 - side]?.document.mix ?? null"
          :address="lane"
          :span="span"
          :heard="heard === side"
          @hear="hear(side)"
          @zoom="(tick, factor) => emit('zoom', tick, factor)"
          @scroll="(ticks) => emit('scroll', ticks)"
        />
      </template>
    </div>
    <ul class="difference" tabindex="0" data-test="difference">
      <li v-for="s in difference" :key="s">{{ s }}</li>
    </ul>
  </section>
</template>

<style scoped src="./section.css"></style>

<style scoped>
.sides {
  display: grid;
  flex: 1;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  min-height: 0;
}

.difference {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 2px 18px;
  max-height: 4.2rem;
}
</style>
