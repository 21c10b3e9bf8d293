<script setup lang="ts">
/** The whole song on one strip: sections, loudness of the mix, loop, tasks and remarks. Click to go, drag to loop. */
import { useElementSize } from '@vueuse/core'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { placeInWords } from '@rudlo/core/time'
import { computed, ref } from 'vue'
import { useCalm } from '../../engine/calm'
import PlayPosition from '../../ui/marks/PlayPosition.vue'
import type { Flag } from './flag'
import StripFlags from './StripFlags.vue'
import { barsAround, loudnessPath } from './strip-geometry'
import { t } from '../../words/t'

interface Stretch {
  readonly from: number
  readonly to: number
}

const props = defineProps<{
  song: SongVersion
  time: SongTime
  /** The play position in ticks. */
  position: () => number
  momentary: ArrayLike<number | null> | null
  /** Share done of a measurement that takes a while; null where none does. */
  measuring?: number | null
  loop: Stretch | null
  looping: boolean
  /** The stretch in view on the lane desk; drawn where it is not the whole song. */
  shown?: Stretch | null
  marked?: Stretch | null
  flags?: readonly Flag[]
}>()

const emit = defineEmits<{
  go: [tick: number]
  loop: [stretch: Stretch]
  flag: [id: string, kind: Flag['kind']]
}>()

const HEIGHT = 62
const DRAG = 6

const strip = ref<HTMLElement>()
const drag = ref<{ from: number; to: number; far: boolean } | null>(null)

const { width } = useElementSize(strip)

/** Whoever is told of the place need not be told with every frame. */
const spoken = useCalm(() => ({
  tick: Math.round(props.position()),
  words: placeInWords(props.time.meter, props.position()),
}))

const x = (tick: number) => (tick / props.time.length) * width.value
const tickAt = (event: PointerEvent) => {
  const box = strip.value!.getBoundingClientRect()
  return Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)) * props.time.length
}
const place = ({ from, to }: Stretch) => ({
  left: `${x(from)}px`,
  width: `${Math.max(2, x(to) - x(from))}px`,
})
const path = computed(() => loudnessPath(props.momentary, props.time, width.value, HEIGHT))
const chosen = computed(() =>
  drag.value?.far ? barsAround(props.time, drag.value.from, drag.value.to) : null,
)
const zoomed = computed(() =>
  props.shown && props.shown.to - props.shown.from < props.time.length ? props.shown : null,
)

function down(event: PointerEvent): void {
  if (event.button !== 0 || !event.isPrimary) return
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  const tick = tickAt(event)
  drag.value = { from: tick, to: tick, far: false }
}

function move(event: PointerEvent): void {
  const held = drag.value
  if (!held) return
  const to = tickAt(event)
  drag.value = { from: held.from, to, far: held.far || Math.abs(x(to) - x(held.from)) > DRAG }
}

function up(): void {
  const held = drag.value
  drag.value = null
  if (!held) return
  if (held.far) emit('loop', barsAround(props.time, held.from, held.to))
  else emit('go', Math.round(held.from))
}

function key(event: KeyboardEvent): void {
  const { meter, length } = props.time
  const here = props.position()
  const bar = meter.placeAt(here).bar
  const to: Readonly<Record<string, number>> = {
    ArrowRight: meter.barStart(bar + 1),
    ArrowLeft: meter.barStart(Math.max(1, here > meter.barStart(bar) + 480 ? bar : bar - 1)),
    Home: 0,
    End: length,
  }
  const tick = to[event.key]
  if (tick === undefined) return
  event.preventDefault()
  event.stopPropagation()
  emit('go', Math.min(tick, length))
}
</script>

<template>
  <div ref="strip" class="sheet strip">
    <div
      v-for="(section, i) in song.sections"
      :key="section.id"
      class="section"
      :class="{ even: i % 2 === 0 }"
      :style="place({ from: section.tick, to: song.sections[i + 1]?.tick ?? time.length })"
    >
      <b>{{ section.letter }}</b>
      <span class="name" :data-tip="section.name">{{ section.name }}</span>
      <span class="bar">{{ time.meter.placeAt(section.tick).bar }}</span>
    </div>
    <svg :width="width" :height="HEIGHT" aria-hidden="true"><path :d="path" /></svg>
    <div
      v-if="measuring !== null && measuring !== undefined"
      class="measuring"
      role="progressbar"
      :aria-label="t('strip.measuring')"
      :aria-valuenow="Math.round(measuring * 100)"
      :style="{ width: `${measuring * 100}%` }"
    />
    <div v-if="marked" class="marked" :style="place(marked)" />
    <div v-if="zoomed" class="zoomed" :style="place(zoomed)" />
    <div
      v-if="chosen ?? loop"
      class="loop"
      :class="{ on: looping || chosen }"
      :style="place((chosen ?? loop)!)"
    />
    <PlayPosition :x="() => x(position())" :to="width" />
    <div
      class="face"
      tabindex="0"
      role="slider"
      :aria-label="t('strip.label')"
      :aria-valuenow="spoken.tick"
      aria-valuemin="0"
      :aria-valuemax="time.length"
      :aria-valuetext="spoken.words"
      data-test="strip"
      @pointerdown="down"
      @pointermove="move"
      @pointerup="up"
      @pointercancel="drag = null"
      @keydown="key"
    />
    <StripFlags
      v-if="flags?.length"
      :flags="flags"
      :width="width"
      :length="time.length"
      @flag="(id, kind) => emit('flag', id, kind)"
    />
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  flex: none;
  height: 64px;
  overflow: hidden;
  user-select: none;
}

.face {
  position: absolute;
  inset: 0;
  border-radius: inherit;
  cursor: pointer;
  touch-action: none;
}

.face:focus-visible {
  outline-offset: -3px;
}

.section {
  position: absolute;
  top: 0;
  bottom: 0;
  display: flex;
  gap: 8px;
  align-items: flex-start;
  padding: 5px 8px;
  border-left: 1px solid var(--rule);
  overflow: hidden;
  font-size: 14px;
  white-space: nowrap;
}

.section:first-child {
  border-left: 0;
}

.section.even {
  background: color-mix(in srgb, var(--wash) 60%, transparent);
}

.section b {
  flex: none;
  width: 22px;
  height: 22px;
  border: 2px solid var(--ink);
  font-size: 13px;
  line-height: 18px;
  text-align: center;
}

.name {
  overflow: hidden;
  color: var(--soft);
  text-overflow: ellipsis;
}

.bar {
  margin-left: auto;
  color: var(--soft);
}

svg {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

path {
  fill: var(--family-volume);
  opacity: 0.22;
}

.marked {
  position: absolute;
  top: 0;
  bottom: 0;
  background: color-mix(in srgb, var(--family-volume) 9%, transparent);
  border-inline: 1px solid var(--family-volume);
  pointer-events: none;
}

.zoomed {
  position: absolute;
  inset-block: 0;
  border: 2px solid var(--soft);
  border-radius: 6px;
  pointer-events: none;
}

.loop {
  position: absolute;
  bottom: 0;
  height: 6px;
  border-radius: 3px;
  background: var(--soft);
  opacity: 0.5;
  pointer-events: none;
}

.loop.on {
  background: var(--warm);
  opacity: 1;
}

.measuring {
  position: absolute;
  bottom: 0;
  left: 0;
  height: 3px;
  background: var(--family-volume);
}
</style>
