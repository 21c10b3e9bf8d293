<script setup lang="ts">
/** What an EQ or a filter does to low and high: dB over frequency. */
import { computed } from 'vue'
import { t } from '../../../words/t'

const props = defineProps<{ response: (frequency: number) => number }>()

const WIDTH = 640
const HEIGHT = 84
/** dB above and below the middle line. */
const RANGE = 24
const LOWEST = 20
const HIGHEST = 20_000
const MARKS = [100, 1000, 10_000] as const

const x = (frequency: number) => (Math.log(frequency / LOWEST) / Math.log(HIGHEST / LOWEST)) * WIDTH
const y = (db: number) => (HEIGHT / 2) * (1 - Math.min(RANGE, Math.max(-RANGE, db)) / RANGE)
const path = computed(() =>
  Array.from({ length: 81 }, (_, i) => {
    const frequency = LOWEST * (HIGHEST / LOWEST) ** (i / 80)
    return `${i ? 'L' : 'M'}${x(frequency).toFixed(1)} ${y(props.response(frequency)).toFixed(1)}`
  }).join(''),
)
const name = (frequency: number) => (frequency >= 1000 ? `${frequency / 1000} kHz` : `${frequency} Hz`)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + 14}`" role="img" :aria-label="t('picture.response')">
    <line class="zero" x1="0" :x2="WIDTH" :y1="HEIGHT / 2" :y2="HEIGHT / 2" />
    <g v-for="f in MARKS" :key="f">
      <line class="mark" :x1="x(f)" :x2="x(f)" y1="0" :y2="HEIGHT" />
      <text :x="x(f)" :y="HEIGHT + 12" text-anchor="middle">{{ name(f) }}</text>
    </g>
    <path class="area" :d="`${path}L${WIDTH} ${HEIGHT / 2}L0 ${HEIGHT / 2}Z`" />
    <path class="line" :d="path" />
  </svg>
</template>
