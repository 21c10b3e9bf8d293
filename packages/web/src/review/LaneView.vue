<script setup lang="ts">
/** A lane of a hand-in, read-only: the line over the waveform, another version faintly underneath. */
import { valueAt } from '@rudlo/core/envelope'
import { laneName } from '@rudlo/core/assess'
import { envelopeOf, resolve, type Mix } from '@rudlo/core/mix'
import { beatInWords } from '@rudlo/core/time'
import { computed, ref, shallowRef } from 'vue'
import { usePlayer } from '../audio/player-store'
import LaneCanvas from '../lane/LaneCanvas.vue'
import LaneHead from '../lane/LaneHead.vue'
import { useOverviews } from '../lane/use-overviews'
import type { Span, Viewport } from '../lane/viewport'
import { useReview } from './review-store'
import SpanPicker from './SpanPicker.vue'

defineProps<{ picked: Span | null }>()
const emit = defineEmits<{ span: [span: Span] }>()

const review = useReview()
const player = usePlayer()
const view = shallowRef<Viewport | null>(null)
const under = ref<'before' | 'start' | 'none'>('before')

const mix = computed(() => review.mix!)
const overviews = useOverviews(() => review.song)
const addressed = computed(() => resolve(mix.value, review.address)!)
const points = computed(() => envelopeOf(mix.value, review.address)?.points ?? [])
const value = computed(() =>
  points.value.length && player.moves
    ? valueAt(points.value, addressed.value.control.scale, player.position)
    : addressed.value.setting,
)
const before = computed(() => review.handIn!.before)
const other = computed<Mix | null>(() => {
  if (under.value === 'none') return null
  return under.value === 'start' ? review.assignment!.startingMix : (before.value?.document.mix ?? null)
})
const faint = computed(() => {
  if (!other.value) return []
  const line = envelopeOf(other.value, review.address)?.points ?? []
  const level = resolve(other.value, review.address)?.setting ?? 0
  return [line.length ? line : [{ tick: 0, value: level, form: 'straight' as const, bend: 0 }]]
})
const pins = computed(() =>
  review.remarks.map((r, i) => ({ ...r, number: i + 1 })).filter((r) => r.lane === review.address),
)
const choices = computed(() => [
  ...(before.value ? [['before', `version ${before.value.number}`] as const] : []),
  ['start', 'starting mix'] as const,
  ['none', 'nothing'] as const,
])
const shownUnder = computed({
  get: () => (under.value === 'before' && !before.value ? 'none' : under.value),
  set: (chosen) => (under.value = chosen),
})
const showPin = (id: string) => {
  const remark = review.remarks.find((r) => r.id === id)
  if (remark) review.showRemark(remark)
}
</script>

<template>
  <section class="sheet desk" aria-label="Lane">
    <LaneHead
      :name="laneName(review.song!, mix, review.address)"
      :control="addressed.control"
      :meter="review.time!.meter"
      :value="value"
      :where="beatInWords(review.time!.meter, player.position)"
      :note="points.length ? '' : 'no line here'"
      :point="null"
      :has-next="false"
      :editable="false"
    >
      <label class="under">
        <span class="soft">Underneath, dotted</span>
        <select v-model="shownUnder" data-test="under">
          <option v-for="[key, text] in choices" :key="key" :value="key">{{ text }}</option>
        </select>
      </label>
    </LaneHead>
    <LaneCanvas
      class="canvas"
      :song="review.song!"
      :time="review.time!"
      :mix="mix"
      :address="review.address"
      :span="review.span"
      :overviews="overviews"
      :position="player.position"
      :selected="-1"
      :faint="faint"
      :marked="picked"
      :pins="pins"
      :pinned="review.pinned"
      @size="(v: Viewport) => (view = v)"
      @pin="showPin"
    >
      <SpanPicker
        v-if="view"
        :view="view"
        :time="review.time!"
        @span="(s) => emit('span', s)"
        @go="player.seek"
        @zoom="review.zoom"
        @scroll="review.scroll"
      />
    </LaneCanvas>
  </section>
</template>

<style scoped>
.desk {
  display: grid;
  flex: 1;
  grid-template-columns: 168px minmax(0, 1fr);
  min-height: 0;
  overflow: hidden;
}

.canvas {
  height: 100%;
}

.under {
  display: grid;
  gap: 4px;
  margin-top: 12px;
  font-size: 14px;
}

.under select {
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
</style>
