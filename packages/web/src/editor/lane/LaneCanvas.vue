<script setup lang="ts">
/** A lane as drawn: grid, waveform, faint lines, line and points; pins and play position on top. */
import { useResizeObserver } from '@vueuse/core'
import type { Chosen, Points } from '@rudlo/core/envelope'
import type { Overview } from '@rudlo/core/exchange'
import { lineOf } from '@rudlo/core/compare'
import { envelopeOf, resolve, type Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { drawGrid, drawLevels } from './draw-grid'
import { drawFaintLine } from './draw-line'
import { WORDS } from './draw-loudness'
import { drawWave } from './draw-wave'
import { drawFront, type LineFront, type LiveLine } from './line-front'
import PlayPosition from './PlayPosition.vue'
import { useInk } from './use-ink'
import { ALL_VALUES, Viewport, type Span, type Values } from './viewport'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  mix: Mix
  address: string
  span: Span
  overviews: ReadonlyMap<string, Overview>
  /** The play position in ticks. */
  position: () => number
  selected: number
  /** All points that are selected, where they are several. */
  chosen?: Chosen
  /** The travel in view. */
  values?: Values
  /** What moves with every frame under a hand: the points, what they sound like, what is said of one. */
  live?: () => LiveLine
  /** Whose loudness that is, in words. */
  whose?: string
  /** Places where the mix is over, in ticks. */
  overs?: readonly number[]
  /** Whether the line is hidden, to listen without looking. */
  blank?: boolean
  /** Drawn under the line, for comparison. */
  faint?: readonly Points[]
  /** Whether what lies between the line and the first faint one is shaded. */
  shaded?: boolean
  /** Shaded: a task, a span for a remark. */
  marked?: Span | null
  /** A place that somebody points at just now. */
  pointed?: Span | null
  /** Numbered pins. */
  pins?: readonly {
    readonly id: string
    readonly number: number
    readonly from: number
    readonly to: number
  }[]
  pinned?: string | null
}>()

const emit = defineEmits<{ size: [view: Viewport]; pin: [id: string] }>()

const NONE: Chosen = new Set()
const STILL: LiveLine = { points: null, loudness: null, bubble: null }
const NO_POINTS: Points = []
const NOWHERE: readonly number[] = []
const box = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const size = ref({ width: 0, height: 0 })

const addressed = computed(() => resolve(props.mix, props.address)!)
const envelope = computed(() => envelopeOf(props.mix, props.address))
const track = computed(() => props.mix.tracks.find((t) => t.id === addressed.value.owner))
const ink = useInk(() => addressed.value.control.family)
const view = computed(
  () =>
    new Viewport(
      props.span,
      Math.max(1, size.value.width),
      Math.max(1, size.value.height),
      props.values ?? ALL_VALUES,
    ),
)

const live = computed(() => props.live?.() ?? STILL)

/** What lies behind changes with the view, what lies before it with every move of a hand: each has its own canvas. */
const back = ref<HTMLCanvasElement>()

let frame = 0
let stale = true

/** Draws with the next frame. `behind`: what lies behind the line, too. */
function redraw(behind: boolean): void {
  stale ||= behind
  // what is asked for within a frame waits for the next one: put off again and again it would never come
  if (frame) return
  frame = requestAnimationFrame(() => {
    frame = 0
    if (stale) drawBehind()
    stale = false
    drawBefore()
  })
}

/** The drawing of a canvas of the lane's size, in CSS px, and whether it is a fresh one; null while it has no size. */
function drawingOf(
  element: HTMLCanvasElement | undefined,
): { readonly c: CanvasRenderingContext2D; readonly fresh: boolean } | null {
  const c = element?.getContext('2d')
  const { width, height } = size.value
  if (!c || !element || !width || !height) return null
  const ratio = devicePixelRatio || 1
  const w = Math.round(width * ratio)
  const h = Math.round(height * ratio)
  const fresh = element.width !== w || element.height !== h
  if (fresh) {
    element.width = w
    element.height = h
  }
  c.setTransform(ratio, 0, 0, ratio, 0, 0)
  return { c, fresh }
}

function drawBehind(): void {
  const drawing = drawingOf(back.value)
  if (!drawing) return
  const { c } = drawing
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

function drawBefore(): void {
  const drawing = drawingOf(canvas.value)
  if (!drawing) return
  const { control, setting } = addressed.value
  const now: LineFront = {
    view: view.value,
    time: props.time,
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
    blank: props.blank,
    shaded: shaded.value,
    bubble: live.value.bubble,
  }
  drawFront(drawing.c, now, drawing.fresh ? null : drawn, devicePixelRatio || 1)
  drawn = now
}

useResizeObserver(box, ([entry]) => {
  const { width, height } = entry!.contentRect
  size.value = { width, height }
})

onBeforeUnmount(() => cancelAnimationFrame(frame))

watch(view, (v) => emit('size', v), { immediate: true })
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
  {
    immediate: true,
  },
)
watch(
  [
    envelope,
    () => addressed.value.setting,
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

const inView = (x: number) => x >= -1 && x <= size.value.width + 1
const stretch = (s: Span) => {
  const left = Math.max(0, view.value.x(s.from))
  return {
    left: `${left}px`,
    width: `${Math.max(0, Math.min(size.value.width, view.value.x(s.to)) - left)}px`,
  }
}
</script>

<template>
  <div ref="box" class="lane-canvas">
    <canvas ref="back" aria-hidden="true" />
    <canvas ref="canvas" class="front" aria-hidden="true" data-test="lane-front" />
    <div v-if="marked" class="marked" :style="stretch(marked)" />
    <div v-if="pointed" class="pointed" :style="stretch(pointed)" data-test="pointed" />
    <div
      v-for="pin in pins"
      v-show="pinned === pin.id"
      :key="`s${pin.id}`"
      class="pin-span"
      :style="stretch(pin)"
    />
    <PlayPosition :view="view" :at="position" />
    <template v-for="pin in pins" :key="pin.id">
      <button
        v-show="inView(view.x((pin.from + pin.to) / 2))"
        class="pin"
        :class="{ on: pinned === pin.id }"
        :style="{ left: `${view.x((pin.from + pin.to) / 2)}px` }"
        :aria-label="`Remark ${pin.number}`"
        @pointerdown.stop
        @click.stop="emit('pin', pin.id)"
      >
        {{ pin.number }}
      </button>
    </template>
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

.pin-span {
  position: absolute;
  top: 0;
  bottom: 0;
  border-inline: 1.5px dashed var(--warm);
  background: color-mix(in srgb, var(--warm) 13%, transparent);
  pointer-events: none;
}

.pin {
  position: absolute;
  bottom: 8px;
  width: 32px;
  height: 32px;
  margin-left: -16px;
  border: 2px solid var(--sheet);
  border-radius: 9px;
  background: var(--warm);
  color: var(--sheet);
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}

.pin.on {
  outline: 2px solid var(--warm);
}
</style>
