<script setup lang="ts">
/** What a song looks like from far away: how strong it is from beginning to end, with the letters of its sections. */
import { computed } from 'vue'

const props = defineProps<{
  /** 0…1 for each stretch of equal time. */
  picture: readonly number[]
  sections: readonly { readonly letter: string; readonly name: string; readonly at: number }[]
  /** Said to a screen reader. */
  label: string
}>()

const HEIGHT = 40
/** The outline of both halves, as one path. */
const path = computed(() => {
  const { picture } = props
  const half = (p: number) => Math.max(0.6, (p * HEIGHT) / 2)
  const up = picture.map((p, i) => `${i + 0.5} ${HEIGHT / 2 - half(p)}`)
  const down = picture.map((p, i) => `${i + 0.5} ${HEIGHT / 2 + half(p)}`).reverse()
  return picture.length ? `M${[...up, ...down].join('L')}Z` : ''
})
</script>

<template>
  <div class="song-picture" role="img" :aria-label="label">
    <svg :viewBox="`0 0 ${picture.length || 1} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
      <path :d="path" />
    </svg>
    <span
      v-for="s in sections"
      :key="s.at"
      class="section"
      :style="{ left: `${s.at * 100}%` }"
      :data-tip="s.name"
      aria-hidden="true"
      >{{ s.letter }}</span
    >
  </div>
</template>

<style scoped>
.song-picture {
  position: relative;
  height: 64px;
  padding-top: 20px;
  border-bottom: 1px solid var(--rule);
}

svg {
  width: 100%;
  height: 40px;
}

path {
  fill: color-mix(in srgb, var(--family-volume) 34%, var(--sheet));
}

.section {
  position: absolute;
  top: 0;
  bottom: 0;
  padding: 0 5px;
  border-left: 1px solid var(--rule);
  color: var(--soft);
  font-size: var(--text-1);
  font-weight: 640;
}
</style>
