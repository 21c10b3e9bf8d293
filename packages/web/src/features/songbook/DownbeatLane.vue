<script setup lang="ts">
/** The beginning of a recording, large: the line of the first downbeat is dragged to where it belongs. */
import type { Overview } from '@rudlo/core/exchange'
import { downbeatOf, type SongVersion } from '@rudlo/core/song'
import { computed, ref } from 'vue'
import { useOverviews } from '../../editor/lane/use-overviews'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { t } from '../../words/t'

const props = defineProps<{ song: SongVersion }>()
const emit = defineEmits<{ downbeat: [seconds: number] }>()

/** Seconds that are shown. */
const SHOWN = 8
const WIDTH = 1000
const HEIGHT = 64

const overviews = useOverviews(() => props.song)
const face = ref<SVGSVGElement>()
const dragged = ref<number | null>(null)

/** The loudest of all recordings, as a path. */
const path = computed(() => {
  const parts: string[] = []
  const steps = 500
  for (let i = 0; i < steps; i++) {
    const from = (i / steps) * SHOWN * SAMPLE_RATE
    let most = 0
    for (const region of props.song.regions) {
      const overview = overviews.value.get(region.asset)
      if (overview)
        most = Math.max(most, peakAt(overview, from + region.offset, (SHOWN / steps) * SAMPLE_RATE))
    }
    const h = (most * HEIGHT) / 2
    const x = (i / steps) * WIDTH
    parts.push(`M${x.toFixed(1)} ${(HEIGHT / 2 - h).toFixed(1)}V${(HEIGHT / 2 + h).toFixed(1)}`)
  }
  return parts.join('')
})

function peakAt({ step, zooms }: Overview, sample: number, frames: number): number {
  const pairs = zooms[0]!
  const first = Math.floor(sample / step)
  const last = Math.max(first + 1, Math.ceil((sample + frames) / step))
  let most = 0
  for (let i = 2 * first; i < 2 * last; i++) most = Math.max(most, Math.abs(pairs[i] ?? 0))
  return most / 128
}

const downbeat = computed(() => dragged.value ?? downbeatOf(props.song))
const beat = computed(() => 60 / props.song.tempo[0]!.bpm)
const beats = computed(() => {
  const { beats } = props.song.meter[0]!
  const list: { x: number; strong: boolean }[] = []
  for (let k = -64; k < 128; k++) {
    const s = downbeat.value + k * beat.value
    if (s >= 0 && s <= SHOWN)
      list.push({ x: (s / SHOWN) * WIDTH, strong: ((k % beats) + beats) % beats === 0 })
  }
  return list
})

const secondsAt = (event: PointerEvent) => {
  const box = face.value!.getBoundingClientRect()
  return Math.min(SHOWN, Math.max(0, ((event.clientX - box.left) / box.width) * SHOWN))
}
function down(event: PointerEvent): void {
  face.value!.setPointerCapture(event.pointerId)
  dragged.value = secondsAt(event)
}
function move(event: PointerEvent): void {
  if (dragged.value !== null) dragged.value = secondsAt(event)
}
function up(): void {
  if (dragged.value !== null) emit('downbeat', Math.round(dragged.value * 1000) / 1000)
  dragged.value = null
}
function key(event: KeyboardEvent): void {
  const step = event.key === 'ArrowLeft' ? -0.01 : event.key === 'ArrowRight' ? 0.01 : 0
  if (!step) return
  event.preventDefault()
  emit('downbeat', Math.max(0, downbeat.value + step * (event.shiftKey ? 1 : 5)))
}
</script>

<template>
  <div class="sheet lane">
    <p class="soft">{{ t('song.downbeat.drag') }}</p>
    <svg
      ref="face"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      preserveAspectRatio="none"
      tabindex="0"
      role="slider"
      :aria-label="t('song.downbeat.label')"
      aria-valuemin="0"
      :aria-valuemax="SHOWN"
      :aria-valuenow="Number(downbeat.toFixed(2))"
      :aria-valuetext="t('song.downbeat.said', { seconds: downbeat.toFixed(2) })"
      data-test="downbeat-lane"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @keydown="key"
    >
      <path :d="path" class="wave" />
      <line
        v-for="b in beats"
        :key="b.x"
        :x1="b.x"
        :x2="b.x"
        y1="0"
        :y2="HEIGHT"
        :class="b.strong ? 'bar' : 'beat'"
      />
      <line
        :x1="(downbeat / SHOWN) * WIDTH"
        :x2="(downbeat / SHOWN) * WIDTH"
        y1="0"
        :y2="HEIGHT"
        class="first"
      />
    </svg>
  </div>
</template>

<style scoped>
.lane {
  padding: 8px 14px 12px;
  font-size: 14px;
}

svg {
  display: block;
  width: 100%;
  height: 64px;
  cursor: ew-resize;
  touch-action: none;
  user-select: none;
}

.wave {
  stroke: var(--wave, var(--rule));
  stroke-width: 2;
}

.beat {
  stroke: var(--rule);
  vector-effect: non-scaling-stroke;
}

.bar {
  stroke: var(--soft);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}

.first {
  stroke: var(--warm);
  stroke-width: 4;
  vector-effect: non-scaling-stroke;
}
</style>
