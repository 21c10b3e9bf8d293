<script setup lang="ts">
/**
 * Says what an element with `data-tip` is for, beside it: when a mouse rests on it, when the Tab key comes to it, and while a finger
 * holds it. There is one for the whole application.
 */
import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'

/** How long something rests before it is told about; and how long a finger holds. */
const REST_MS = 450
const HOLD_MS = 550

const target = shallowRef<HTMLElement | null>(null)
let timer = 0

const tipped = (event: Event): HTMLElement | null =>
  event.target instanceof Element ? event.target.closest<HTMLElement>('[data-tip]') : null

function soon(element: HTMLElement | null, wait: number): void {
  window.clearTimeout(timer)
  if (!element?.dataset['tip']) return
  timer = window.setTimeout(() => (target.value = element.isConnected ? element : null), wait)
}

function away(): void {
  window.clearTimeout(timer)
  target.value = null
}

const passive = { passive: true, capture: true }
useEventListener(
  document,
  'pointerover',
  (e) => {
    if (e.pointerType === 'touch') return
    const element = tipped(e)
    if (element !== target.value) away()
    if (element) soon(element, REST_MS)
  },
  passive,
)
useEventListener(
  document,
  'pointerdown',
  (e) => {
    away()
    if (e.pointerType === 'touch') soon(tipped(e), HOLD_MS)
  },
  passive,
)
useEventListener(
  document,
  ['pointerup', 'pointercancel'],
  (e) => {
    if (e.pointerType === 'touch') window.clearTimeout(timer)
  },
  passive,
)
useEventListener(
  document,
  'focusin',
  (e) => {
    const element = tipped(e)
    if (element?.matches(':focus-visible')) soon(element, 0)
    else away()
  },
  passive,
)
useEventListener(document, 'keydown', (e) => e.key === 'Escape' && away(), passive)
useEventListener(document, ['scroll', 'wheel'], away, passive)
</script>

<template>
  <v-tooltip
    v-if="target"
    :key="target.dataset['tip'] ?? ''"
    :model-value="true"
    :target="target"
    :text="target.dataset['tip'] ?? ''"
    :open-on-hover="false"
    :open-on-focus="false"
    location="bottom"
    max-width="320"
    content-class="tip"
    role="tooltip"
  />
</template>
