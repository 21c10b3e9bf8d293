<script setup lang="ts">
/** A picture of something heard that stands still: on paper, in a row, on a telephone. It is told by form, so that black will do. */
import type { Picture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { signedText } from '@rudlo/words'
import { computed } from 'vue'
import type { Shown } from './picture'
import { stillShapes } from './still-shapes'

const props = defineProps<{
  picture: Picture
  time: SongTime
  /** Where the lead should stand over the rest, in LU. */
  band: readonly [low: number, high: number]
  /** What it shows, for who cannot see it. */
  label: string
  /** The stretch that is shown, where several are to be compared. */
  shown?: Shown | undefined
  /** For a small screen. */
  small?: boolean
  /** Without numbers: a small one, in a row. */
  bare?: boolean
}>()

/** Units of the drawing: as many as px where it is read on a small screen, so that its numbers stay legible. */
const WIDTHS = { wide: 700, small: 380 } as const
const HEIGHT = 130
/** Room for numbers, in the units of the drawing. */
const GUTTER = 44
const FOOT = 18
/** A bar number needs so much. */
const NUMBER = 34

const width = computed(() => (props.small ? WIDTHS.small : WIDTHS.wide))
const shapes = computed(() => stillShapes(props.picture, props.time, props.band, props.shown))
const right = computed(() => (props.bare ? width.value : width.value - GUTTER))
const bottom = computed(() => (props.bare ? HEIGHT : HEIGHT - FOOT))
const x = (share: number) => share * right.value
const y = (value: number) => {
  const [low, high] = shapes.value.range
  return 4 + ((high - value) / (high - low)) * (bottom.value - 8)
}
const path = (places: readonly (readonly [number, number])[]) =>
  `M${places.map(([share, value]) => `${x(share).toFixed(1)} ${y(value).toFixed(1)}`).join('L')}`

const values = computed(() => {
  const [low, high] = shapes.value.range
  return [...new Set([high, Math.min(Math.max(0, low), high), low])].map((value) => ({
    y: y(value),
    text: signedText(value, 0),
  }))
})
const bars = computed(() => {
  const { from, to } = shapes.value.shown
  const { meter } = props.time
  const [first, last] = [meter.placeAt(from).bar, meter.placeAt(Math.max(from, to - 1)).bar]
  const every = Math.max(1, Math.ceil(((last - first + 1) * NUMBER) / right.value))
  return Array.from({ length: Math.ceil((last - first + 1) / every) }, (_, i) => {
    const bar = first + i * every
    return { bar, x: x((meter.barStart(bar) - from) / (to - from)) }
  })
})
</script>

<template>
  <svg
    class="still"
    :viewBox="`0 0 ${width} ${HEIGHT}`"
    role="img"
    :aria-label="label"
    preserveAspectRatio="none"
  >
    <rect
      v-if="shapes.band"
      class="band"
      x="0"
      :width="right"
      :y="y(shapes.band[1])"
      :height="y(shapes.band[0]) - y(shapes.band[1])"
    />
    <template v-if="!bare">
      <g v-for="b in bars" :key="b.bar">
        <line class="bar" :x1="b.x" :x2="b.x" y1="0" :y2="bottom" />
        <text :x="b.x + 2" :y="HEIGHT - 4">{{ b.bar }}</text>
      </g>
      <text v-for="v in values" :key="v.text" :x="right + 6" :y="Math.min(bottom, Math.max(10, v.y + 4))">
        {{ v.text }}
      </text>
    </template>
    <line
      class="zero"
      x1="0"
      :x2="right"
      :y1="y(Math.min(0, shapes.range[1]))"
      :y2="y(Math.min(0, shapes.range[1]))"
    />
    <rect
      v-for="c in shapes.columns"
      :key="c.from"
      class="column"
      :x="x(c.from) + (x(c.to) - x(c.from)) * 0.15"
      :width="(x(c.to) - x(c.from)) * 0.7"
      :y="Math.min(y(0), y(c.value))"
      :height="Math.max(1, Math.abs(y(c.value) - y(0)))"
    />
    <path
      v-for="(l, i) in shapes.lines"
      :key="i"
      :class="l.stroke"
      :d="path(l.places)"
      vector-effect="non-scaling-stroke"
    />
  </svg>
</template>

<style scoped>
.still {
  display: block;
  width: 100%;
  height: auto;
  color: inherit;
}

text {
  fill: currentcolor;
  font-size: 12px;
}

.bar {
  stroke: currentcolor;
  stroke-width: 0.5;
  opacity: 0.3;
}

.zero {
  stroke: currentcolor;
  stroke-width: 1;
  opacity: 0.6;
}

.band {
  fill: currentcolor;
  opacity: 0.12;
}

.column {
  fill: currentcolor;
  opacity: 0.75;
}

path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.5;
}

.thick {
  stroke-width: 2.75;
}

.dashed {
  stroke-dasharray: 7 4;
}
</style>
