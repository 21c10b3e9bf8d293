<script setup lang="ts">
/** How long a reverb rings: dB over seconds, down to where it is gone. */
import { reverbDecay } from '@rudlo/core/engine'
import { computed } from 'vue'
import { t } from '../../../words/t'

const props = defineProps<{ settings: Readonly<Record<string, number>> }>()

const WIDTH = 640
const HEIGHT = 84
const FLOOR = -66
const seconds = computed(() =>
  Math.max(1, Math.ceil((props.settings['decay']! + props.settings['preDelay']!) / 1000)),
)
const x = (s: number) => (s / seconds.value) * WIDTH
const path = computed(() => {
  const step = seconds.value / 160
  return Array.from({ length: 161 }, (_, i) => {
    const db = Math.max(FLOOR, 20 * Math.log10(Math.max(1e-6, reverbDecay(props.settings, i * step * 1000))))
    return `${i ? 'L' : 'M'}${x(i * step).toFixed(1)} ${((db / FLOOR) * HEIGHT).toFixed(1)}`
  }).join('')
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + 14}`" role="img" :aria-label="t('picture.decay')">
    <g v-for="s in seconds" :key="s">
      <line class="mark" :x1="x(s)" :x2="x(s)" y1="0" :y2="HEIGHT" />
      <text v-if="s < seconds" :x="x(s)" :y="HEIGHT + 12" text-anchor="middle">
        {{ t('picture.seconds', { s }) }}
      </text>
    </g>
    <path class="area" :d="`${path}L${WIDTH} ${HEIGHT}L0 ${HEIGHT}Z`" />
    <path class="line" :d="path" />
  </svg>
</template>
