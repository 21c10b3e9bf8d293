<script setup lang="ts">
/** A line as a drawing for paper: bars, sections, the line with its points, remarks numbered at their place. */
import { counted } from '@rudlo/words'
import { compileLine, LineCursor } from '@rudlo/core/envelope'
import { lineOf } from '@rudlo/core/compare'
import { resolve, type Mix } from '@rudlo/core/mix'
import { valueMarks } from '../../editor/lane/draw-grid'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import { computed } from 'vue'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  time: SongTime
  mix: Mix
  address: string
  remarks: readonly {
    readonly id: string
    readonly number: number
    readonly from: number
    readonly to: number
  }[]
}>()

const WIDTH = 700
const HEIGHT = 150
const GUTTER = 56
const TOP = 18

const control = computed(() => resolve(props.mix, props.address)?.control ?? null)
const x = (tick: number) => (tick / props.song.length) * (WIDTH - GUTTER)
const y = (travel: number) => TOP + (1 - travel) * (HEIGHT - 2 * TOP)

const points = computed(() => lineOf(props.mix, props.address) ?? [])
const path = computed(() => {
  if (!control.value || !points.value.length) return ''
  const cursor = new LineCursor(compileLine(points.value, control.value.scale))
  const at = (tick: number) => `${x(tick).toFixed(1)},${y(cursor.travelAt(tick)).toFixed(1)}`
  const parts: string[] = []
  for (let px = 0; px <= WIDTH - GUTTER; px += 2) parts.push(at((px / (WIDTH - GUTTER)) * props.song.length))
  return `M${parts.join('L')}`
})
const heads = computed(() =>
  points.value.length > 60 || !control.value
    ? []
    : points.value.map((p) => ({
        x: x(p.tick),
        y: y(control.value!.scale.toTravel(p.value)),
        hollow: p.form === 'jump',
      })),
)
const bars = computed(() => {
  const last = props.time.meter.placeAt(props.song.length - 1).bar
  const step = last > 24 ? 4 : last > 12 ? 2 : 1
  return Array.from({ length: Math.ceil(last / step) }, (_, i) => {
    const bar = 1 + i * step
    return { bar, x: x(props.time.meter.barStart(bar)) }
  })
})
const marks = computed(() =>
  control.value
    ? valueMarks(control.value.scale).map((value) => ({
        y: y(control.value!.scale.toTravel(value)),
        text: control.value!.unit.format(value),
      }))
    : [],
)
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="printed"
    role="img"
    :aria-label="
      t('sheet.line', {
        points: counted(points.length, 'points'),
        remarks: counted(remarks.length, 'remarks'),
      })
    "
    data-test="printed-lane"
  >
    <g v-for="b in bars" :key="b.bar">
      <line :x1="b.x" :x2="b.x" :y1="TOP - 4" :y2="HEIGHT - TOP" class="bar" />
      <text :x="b.x + 2" :y="10">{{ b.bar }}</text>
    </g>
    <g v-for="s in song.sections" :key="s.id">
      <text :x="x(s.tick) + 2" :y="HEIGHT - 4" class="letter">{{ s.letter }}</text>
    </g>
    <g v-for="m in marks" :key="m.text">
      <line x1="0" :x2="WIDTH - GUTTER" :y1="m.y" :y2="m.y" class="mark" />
      <text :x="WIDTH - GUTTER + 4" :y="m.y + 3">{{ m.text }}</text>
    </g>
    <g v-for="r in remarks" :key="r.id">
      <rect
        :x="x(r.from)"
        :y="TOP - 4"
        :width="Math.max(2, x(r.to) - x(r.from))"
        :height="HEIGHT - 2 * TOP + 4"
        class="span"
      />
      <rect :x="(x(r.from) + x(r.to)) / 2 - 8" :y="HEIGHT - TOP - 18" width="16" height="15" class="pin" />
      <text :x="(x(r.from) + x(r.to)) / 2" :y="HEIGHT - TOP - 7" class="number">{{ r.number }}</text>
    </g>
    <path :d="path" class="line" />
    <ellipse
      v-for="(h, i) in heads"
      :key="i"
      :cx="h.x"
      :cy="h.y"
      rx="4.5"
      ry="3.2"
      :class="{ hollow: h.hollow }"
    />
  </svg>
</template>

<style scoped>
.printed {
  display: block;
  width: 100%;
  border: 0.75pt solid #000;
}

text {
  fill: #000;
  font-size: 9px;
}

.letter {
  font-size: 11px;
  font-weight: 700;
}

.bar {
  stroke: #aaa;
  stroke-width: 0.5;
}

.mark {
  stroke: #888;
  stroke-dasharray: 2 3;
  stroke-width: 0.5;
}

.line {
  fill: none;
  stroke: #000;
  stroke-width: 1.8;
}

ellipse {
  fill: #000;
}

ellipse.hollow {
  fill: #fff;
  stroke: #000;
  stroke-width: 1.5;
}

.span {
  fill: none;
  stroke: #000;
  stroke-dasharray: 3 2;
  stroke-width: 0.75;
}

.pin {
  fill: #fff;
  stroke: #000;
}

.number {
  font-size: 10px;
  font-weight: 700;
  text-anchor: middle;
}
</style>
