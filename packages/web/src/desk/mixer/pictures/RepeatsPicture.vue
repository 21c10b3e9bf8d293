<script setup lang="ts">
/** When a delay repeats, how softly and from which side, on the beats of the song. */
import type { Repeat } from '@rudlo/core/engine'
import { computed } from 'vue'
import { t } from '../../../words/t'

const props = defineProps<{ repeats: readonly Repeat[]; beatQuarters: number }>()

const WIDTH = 640
const HEIGHT = 84
const quarters = computed(() => Math.min(16, Math.max(4, Math.ceil(props.repeats.at(-1)?.quarters ?? 4))))
const x = (q: number) => 6 + (q / quarters.value) * (WIDTH - 12)
const beats = computed(() => Math.floor(quarters.value / props.beatQuarters))
const shown = computed(() => props.repeats.filter((r) => r.quarters <= quarters.value))
/** Height by dB: 40 dB from full to none. */
const size = (gain: number) => Math.max(0, 1 + Math.log10(gain) / 2) * (HEIGHT - 8)
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT + 14}`" role="img" :aria-label="t('picture.repeats')">
    <g v-for="b in beats + 1" :key="b">
      <line
        class="mark"
        :x1="x((b - 1) * beatQuarters)"
        :x2="x((b - 1) * beatQuarters)"
        y1="0"
        :y2="HEIGHT"
      />
    </g>
    <text x="6" :y="HEIGHT + 12">{{ t('picture.sound') }}</text>
    <text :x="x(beatQuarters)" :y="HEIGHT + 12" text-anchor="middle">{{ t('picture.beat-later') }}</text>
    <rect class="dry" :x="x(0) - 3" width="6" :y="HEIGHT - size(1)" :height="size(1)" />
    <g v-for="(r, i) in shown" :key="i">
      <rect class="bar" :x="x(r.quarters) - 3" width="6" :y="HEIGHT - size(r.gain)" :height="size(r.gain)" />
      <text v-if="r.side" class="side" :x="x(r.quarters)" :y="HEIGHT - size(r.gain) - 2" text-anchor="middle">
        {{ r.side < 0 ? t('picture.left') : t('picture.right') }}
      </text>
    </g>
  </svg>
</template>
