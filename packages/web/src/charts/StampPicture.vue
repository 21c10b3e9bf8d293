<script setup lang="ts">
/** A picture of something heard as large as a stamp: a fade, a build, a balance. It is told by form, so that black will do. */
import type { SmallPictures } from '@rudlo/core/term'
import { computed } from 'vue'

const props = defineProps<{
  kind: 'fade' | 'build' | 'balance'
  pictures: SmallPictures
  /** What it shows, for who cannot see it. */
  label: string
}>()

/** Units of the drawing. */
const [WIDTH, HEIGHT] = [84, 40]
/** A loss that is over for the ear, and how far a lead can stand from 0, in LU. */
const [GONE, FAR] = [40, 20]

/** Values on 0…1 from below; null where nothing is. */
const values = computed((): readonly (number | null)[] => {
  const { fade, build, balance } = props.pictures
  const clamp = (x: number) => Math.min(1, Math.max(0, x))
  const of = (list: readonly (number | null)[], share: (x: number) => number) =>
    list.map((x) => (x === null ? null : clamp(share(x))))
  if (props.kind === 'fade') return of(fade?.loss ?? [], (x) => 1 - x / GONE)
  if (props.kind === 'balance') return of(balance?.lead ?? [], (x) => (x + FAR) / (2 * FAR))
  const most = Math.max(1, ...(build?.adds ?? []).map((a) => a ?? 0))
  const least = Math.min(0, ...(build?.adds ?? []).map((a) => a ?? 0))
  return of(build?.adds ?? [], (x) => (x - least) / (most - least))
})
const x = (i: number) => (values.value.length < 2 ? WIDTH / 2 : (i / (values.value.length - 1)) * WIDTH)
const y = (share: number) => 3 + (1 - share) * (HEIGHT - 6)
const line = computed(() => {
  let pen = 'M'
  return values.value
    .map((v, i) => {
      if (v === null) {
        pen = 'M'
        return ''
      }
      const step = `${pen}${x(i).toFixed(1)} ${y(v).toFixed(1)}`
      pen = 'L'
      return step
    })
    .join('')
})
/** Whether it comes rather than goes. */
const rises = computed(() => (values.value[0] ?? 1) < (values.value.at(-1) ?? 0))
const column = computed(() => WIDTH / Math.max(1, values.value.length))
</script>

<template>
  <svg class="stamp" :class="kind" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="label">
    <template v-if="kind === 'build'">
      <rect
        v-for="(v, i) in values"
        :key="i"
        class="column"
        :x="i * column + column * 0.15"
        :width="column * 0.7"
        :y="y(v ?? 0)"
        :height="Math.max(1, HEIGHT - 3 - y(v ?? 0))"
      />
    </template>
    <template v-else>
      <line
        v-if="kind === 'fade'"
        class="even"
        x1="0"
        :y1="y(rises ? 0 : 1)"
        :x2="WIDTH"
        :y2="y(rises ? 1 : 0)"
      />
      <line v-else class="even" x1="0" :x2="WIDTH" :y1="y(0.5)" :y2="y(0.5)" />
      <path :d="line" />
    </template>
  </svg>
</template>

<style scoped>
.stamp {
  display: block;
  width: 84px;
  height: 40px;
  border-radius: 4px;
  background: var(--wash);
  color: var(--family-volume);
}

path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 2;
  stroke-linejoin: round;
}

.even {
  stroke: var(--soft);
  stroke-width: 1;
  stroke-dasharray: 3 3;
}

.column {
  fill: currentcolor;
}

.balance {
  color: var(--family-pan);
}

.build {
  color: var(--family-effect);
}

@media print {
  .stamp {
    border: 1px solid #000;
    background: none;
    color: #000;
  }
}
</style>
