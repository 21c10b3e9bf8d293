<script setup lang="ts">
/** When a chopper is open: sixteen steps of a bar of four. */
import { chopperOpening, CHOPPER_PATTERNS } from '@rudlo/core/engine'
import { computed } from 'vue'
import { t } from '../../../words/t'

const props = defineProps<{ settings: Readonly<Record<string, number>> }>()

const WIDTH = 640
const HEIGHT = 60
const TICKS = 3840
const path = computed(() => {
  const pattern = CHOPPER_PATTERNS[Math.round(props.settings['variation']!)] ?? CHOPPER_PATTERNS[0]
  return Array.from({ length: 641 }, (_, i) => {
    const open = chopperOpening(pattern, (i / 640) * TICKS, props.settings['smoothness']!)
    const gain = 1 - props.settings['depth']! * (1 - open)
    return `${i ? 'L' : 'M'}${i} ${(HEIGHT - 2 - gain * (HEIGHT - 4)).toFixed(1)}`
  }).join('')
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + 14}`" role="img" :aria-label="t('picture.steps')">
    <g v-for="beat in 4" :key="beat">
      <line class="mark" :x1="(beat - 1) * 160" :x2="(beat - 1) * 160" y1="0" :y2="HEIGHT" />
      <text :x="(beat - 1) * 160 + 4" :y="HEIGHT + 12">{{ beat }}</text>
    </g>
    <path class="area" :d="`${path}L${WIDTH} ${HEIGHT}L0 ${HEIGHT}Z`" />
    <path class="line" :d="path" />
  </svg>
</template>
