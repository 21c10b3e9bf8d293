<script setup lang="ts">
/** Remarks on a lane, each by its number, and the stretch that the chosen one is about. */
import type { Pin } from './lane-props'
import { stretchIn, type Viewport } from './viewport'
import { t } from '../../words/t'

defineProps<{ view: Viewport; pins: readonly Pin[]; pinned: string | null }>()
const emit = defineEmits<{ pin: [id: string] }>()

const middle = ({ from, to }: Pin) => (from + to) / 2
const inView = (view: Viewport, pin: Pin) => {
  const x = view.x(middle(pin))
  return x >= -1 && x <= view.width + 1
}
</script>

<template>
  <div
    v-for="pin in pins"
    v-show="pinned === pin.id"
    :key="`s${pin.id}`"
    class="pin-span"
    :style="stretchIn(view, pin)"
  />
  <template v-for="pin in pins" :key="pin.id">
    <button
      v-show="inView(view, pin)"
      class="pin"
      :class="{ on: pinned === pin.id }"
      :style="{ left: `${view.x(middle(pin))}px` }"
      :aria-label="t('line.remark', { number: pin.number })"
      @pointerdown.stop
      @click.stop="emit('pin', pin.id)"
    >
      {{ pin.number }}
    </button>
  </template>
</template>

<style scoped>
.pin-span {
  position: absolute;
  top: 0;
  bottom: 0;
  border-inline: 1.5px dashed var(--warm);
  background: color-mix(in srgb, var(--warm) 13%, transparent);
  pointer-events: none;
}

.pin {
  position: absolute;
  bottom: 8px;
  width: 32px;
  height: 32px;
  margin-left: -16px;
  border: 2px solid var(--sheet);
  border-radius: 9px;
  background: var(--warm);
  color: var(--sheet);
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}

.pin.on {
  outline: 2px solid var(--warm);
}
</style>
