<script setup lang="ts">
/** Things to do, side by side: one stop of the Tab key, with arrows from one to the next. */
import { onMounted, onUpdated, useTemplateRef } from 'vue'
import { nextOf } from '../buttons/next-of'

defineProps<{
  /** What it is for: said to a screen reader. */
  label: string
}>()
const bar = useTemplateRef<HTMLElement>('bar')

/** What the Tab key would come to. Something in a group of its own is moved in by that group. */
const ITEMS = 'button, a[href], input, [role=combobox], [role=slider]'
const items = (): HTMLElement[] =>
  [...(bar.value?.querySelectorAll<HTMLElement>(ITEMS) ?? [])].filter(
    (item) => !item.closest('[role=radiogroup]') || item.getAttribute('aria-checked') === 'true',
  )
const isFree = (item: HTMLElement) => !item.hasAttribute('disabled')

let stop: HTMLElement | null = null
function settle(): void {
  const all = items()
  if (!stop || !all.includes(stop) || !isFree(stop)) stop = all.find(isFree) ?? null
  for (const item of all) item.tabIndex = item === stop ? 0 : -1
}

function entered(event: FocusEvent): void {
  stop = items().find((item) => item.contains(event.target as Node)) ?? stop
  settle()
}

function move(event: KeyboardEvent): void {
  const target = event.target as HTMLElement
  if (event.defaultPrevented || target.matches('input, textarea, [role=slider], [role=combobox]')) return
  if (event.key === 'ArrowUp' || event.key === 'ArrowDown') return
  const all = items()
  const next = nextOf(
    event.key,
    all.findIndex((item) => item.contains(target)),
    all.map(isFree),
  )
  if (next === null) return
  event.preventDefault()
  event.stopPropagation()
  all[next]!.focus()
}

onMounted(settle)
onUpdated(settle)
</script>

<template>
  <div ref="bar" class="tool-bar" role="toolbar" :aria-label="label" @focusin="entered" @keydown="move">
    <slot />
  </div>
</template>

<style scoped>
.tool-bar {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}
</style>
