<script setup lang="ts">
/** A control with two states as a button. */
import { useControlMenu } from './control-menu'
import { useControl } from './use-control'

const menu = useControlMenu()
const props = defineProps<{ address: string; label: string; text: string }>()
const { value, inCharge, set } = useControl(() => props.address)
</script>

<template>
  <button
    class="chip"
    :class="{ following: inCharge }"
    :aria-pressed="value >= 0.5"
    :aria-label="label"
    :title="inCharge ? `${label}: a line is in charge` : label"
    @click="set(value >= 0.5 ? 0 : 1)"
    @contextmenu.prevent="menu.open(address, $event)"
  >
    {{ text }}
  </button>
</template>

<style scoped>
.chip {
  padding: 2px 10px;
}

.following {
  border-style: dashed;
}
</style>
