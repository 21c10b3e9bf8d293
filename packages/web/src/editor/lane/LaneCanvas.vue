<script setup lang="ts">
/** A lane as drawn: grid, waveform, faint lines, line and points; pins and play position on top. */
import { useMediaQuery, useResizeObserver } from '@vueuse/core'
import type { Chosen, Points } from '@rudlo/core/envelope'
import type { Overview } from '@rudlo/core/exchange'
import { lineOf } from '@rudlo/core/compare'
import { envelopeOf, resolve } from '@rudlo/core/mix'
import type { SongTime } from '@rudlo/core/song'
import { computed, ref, watch } from 'vue'
import { drawGrid, drawLevels } from './draw-grid'
import { drawFaintLine } from './draw-line'
import { WORDS } from './draw-loudness'
import { drawWave } from './draw-wave'
import PlayPosition from '../../ui/marks/PlayPosition.vue'
import LanePins from './LanePins.vue'
import type { LaneProps } from './lane-props'
import { drawFront, type LineFront, type LiveLine } from './line-front'
import { useInk } from './use-ink'
import { useLayers, type Layer } from './use-layers'
import { FINGER_ROOM, stretchIn, Viewport, type Values } from './viewport'

const props = defineProps<
  LaneProps & {
    overviews: ReadonlyMap<string, Overview>
    /** The time of what is heard: another one than the song's where a mix has its own tempo. */
    heard?: SongTime | null
    /** The play position in ticks. */
    position: () => number
    /** The travel in view. */
    values: Values
  }
>()
const emit = defineEmits<{ size: [view: Viewport]; pin: [id: string] }>()

const NONE: Chosen = new Set()
const STILL: LiveLine = { points: null, loudness: null, bubble: null }
const NO_POINTS: Points = []
const NOWHERE: readonly number[] = []
const box = ref<HTMLElement>()
const back = ref<HTMLCanvasElement>()
const front = ref<HTMLCanvasElement>()
const size = ref({ width: 0, height: 0 })

const addressed = computed(() => resolve(props.mix, props.address)!)
const envelope = computed(() => envelopeOf(props.mix, props.address))
const track = computed(() => props.mix.tracks.find((t) => t.id === addressed.value.owner))
const ink = useInk(
  () => addressed.value.control.family,
  () => props.kin ?? 0,
)
const finger = useMediaQuery('(pointer: coarse)')
const top = computed(() =>
  props.held && finger.value && size.value.height >= FINGER_ROOM.height ? FINGER_ROOM.top : undefined,
)
const view = computed(() => {
  const [width, height] = [Math.max(1, size.value.width), Math.max(1, size.value.height)]
  return new Viewport(props.span, width, height, props.values, null, top.value)
})
const live = computed(() => props.live?.() ?? STILL)

function drawBehind({ c }: Layer): void {
  c.clearRect(0, 0, size.value.width, size.value.height)
  const { scale, unit } = addressed.value.control
  const colours = ink.value
  drawGrid(c, view.value, props.song, props.time, colours)
  if (track.value) drawWave(c, view.value, track.value.regions, props.overviews, props.time, colours.wave)
  if (!props.blank)
    for (const points of props.faint ?? []) drawFaintLine(c, view.value, points, scale, colours.ink)
  drawLevels(c, view.value, scale, unit, colours)
}

/** The line and the one that it is compared with. */
const shaded = computed(() => {
  const own = props.shaded && props.faint?.[0] ? lineOf(props.mix, props.address) : null
  return own ? ([props.faint![0]!, own] as const) : null
})

/** The words at the foot stand where no pin is. */
const wordsAt = computed(() =>
  props.pins?.some((pin) => view.value.x((pin.from + pin.to) / 2) < WORDS.to) ? 'right' : 'left',
)

/** What the front canvas shows. */
let drawn: LineFront | null = null

function drawBefore({ c, fresh }: Layer): void {
  const { control, setting } = addressed.value
  const now: LineFront = {
    view: view.value,
    time: props.heard ?? props.time,
    control,
    ink: ink.value,
    points: live.value.points ?? envelope.value?.points ?? NO_POINTS,
    on: envelope.value?.on ?? false,
    setting,
    selected: props.selected,
    chosen: props.chosen ?? NONE,
    loudness: live.value.loudness,
    whose: props.whose ?? '',
    wordsAt: wordsAt.value,
    overs: props.overs ?? NOWHERE,
    blank: props.blank ?? false,
    shaded: shaded.value,
    bubble: live.value.bubble,
  }
  drawFront(c, now, fresh ? null : drawn, devicePixelRatio || 1)
  drawn = now
}

const redraw = useLayers(size, back, front, { behind: drawBehind, before: drawBefore })

useResizeObserver(box, ([entry]) => {
  const { width, height } = entry!.contentRect
  size.value = { width, height }
})
// what it is before it was measured means nothing
watch(view, (v) => size.value.width && emit('size', v), { immediate: true })
watch(
  [
    view,
    () => track.value?.regions,
    () => props.address,
    () => props.overviews,
    () => props.faint,
    () => props.blank,
    ink,
  ],
  () => redraw(true),
  { immediate: true },
)
watch(
  [
    envelope,
    () => addressed.value.setting,
    () => props.heard,
    () => props.selected,
    () => props.chosen,
    live,
    () => props.overs,
    shaded,
    wordsAt,
  ],
  () => redraw(false),
)
document.fonts?.ready.then(
  () => {
    drawn = null
    redraw(true)
  },
  () => null,
)
</script>

<template>
  <div ref="box" class="lane-canvas">
    <canvas ref="back" aria-hidden="true" />
    <canvas ref="front" class="front" aria-hidden="true" data-test="lane-front" />
    <div v-if="marked" class="marked" :style="stretchIn(view, marked)" />
    <div v-if="pointed" class="pointed" :style="stretchIn(view, pointed)" data-test="pointed" />
    <PlayPosition :x="() => view.x(position())" :to="view.width" />
    <LanePins
      v-if="pins"
      :view="view"
      :pins="pins"
      :pinned="pinned ?? null"
      @pin="(id: string) => emit('pin', id)"
    />
    <slot />
  </div>
</template>

<style scoped>
.lane-canvas {
  contain: layout paint;
  position: relative;
  overflow: hidden;
  min-width: 0;
  min-height: 0;
}

canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}

.front {
  z-index: 2;
  pointer-events: none;
}

.marked {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--family-volume);
  opacity: 0.1;
  pointer-events: none;
}

.pointed {
  position: absolute;
  top: 0;
  bottom: 0;
  border: 3px solid var(--warm);
  background: color-mix(in srgb, var(--warm) 18%, transparent);
  animation: glow 1.2s ease-in-out infinite alternate;
  pointer-events: none;
}

@keyframes glow {
  from {
    opacity: 0.45;
  }
}
</style>
