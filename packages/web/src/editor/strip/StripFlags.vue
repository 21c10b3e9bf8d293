<script setup lang="ts">
/** Tasks, remarks and notes where they are on the strip. */
import { computed } from 'vue'
import type { Flag } from './flag'
import { t } from '../../words/t'

const props = defineProps<{
  flags: readonly Flag[]
  /** Of the strip in px, and of the song in ticks. */
  width: number
  length: number
}>()
const emit = defineEmits<{ flag: [id: string, kind: Flag['kind']] }>()

/** Width of a flag and the gap after it. */
const FLAG = 25
const NAMES = { task: t('strip.task'), remark: t('strip.remark'), note: t('strip.note') } as const

/** Flags never lie on each other: one that would is pushed to the right. */
const placed = computed(() => {
  let free = 2
  return [...props.flags]
    .sort((a, b) => a.tick - b.tick)
    .map((flag) => {
      const x = (flag.tick / props.length) * props.width
      const left = Math.min(Math.max(free, x + 2), props.width - FLAG)
      free = left + FLAG
      return { ...flag, left }
    })
})
</script>

<template>
  <button
    v-for="flag in placed"
    :key="flag.kind + flag.id"
    class="flag"
    :class="flag.kind"
    :style="{ left: `${flag.left}px` }"
    :aria-label="`${NAMES[flag.kind]} ${flag.text}`"
    tabindex="-1"
    @click="emit('flag', flag.id, flag.kind)"
  >
    {{ flag.text }}
  </button>
</template>

<style scoped>
.flag {
  position: absolute;
  bottom: 9px;
  min-width: 22px;
  height: 22px;
  padding: 0 5px;
  border: 2px solid var(--sheet);
  background: var(--ink);
  color: var(--sheet);
  font: inherit;
  font-size: 13px;
  font-weight: 700;
  line-height: 16px;
  cursor: pointer;
}

.flag.task {
  border-radius: 11px;
}

.flag.note {
  border-radius: 6px 6px 6px 0;
  background: var(--family-switch);
}

.flag.remark {
  border-radius: 6px;
  background: var(--warm);
}

/* a finger means it from further away */
@media (pointer: coarse) {
  .flag::after {
    content: '';
    position: absolute;
    inset: -13px;
  }
}
</style>
