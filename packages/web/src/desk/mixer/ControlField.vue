<script setup lang="ts">
/** The value of a control as text that can be typed. */
import { readValue } from '@rudlo/core/scale'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import { useControlMenu } from './control-menu'
import { useControl } from './use-control'
import { t } from '../../words/t'

const props = defineProps<{ address: string; label: string }>()

const work = useWork()
const { control, value, inCharge, set } = useControl(() => props.address)
const menu = useControlMenu()
const typing = ref<string | null>(null)
const shown = computed(() => typing.value ?? control.value.unit.format(value.value))

function take(): void {
  const text = typing.value
  typing.value = null
  if (text === null || text === control.value.unit.format(value.value)) return
  const read = readValue(control.value, text)
  if (!read) {
    work.notice = t('control.no-value', { text, example: control.value.unit.format(control.value.initial) })
    return
  }
  if (read.clamped)
    work.notice = t('control.beyond', { value: control.value.unit.format(read.value) })
  set(read.value)
}
</script>

<template>
  <input
    class="field"
    :class="{ following: inCharge }"
    :value="shown"
    :aria-label="label"
    @input="typing = ($event.target as HTMLInputElement).value"
    @focus="($event.target as HTMLInputElement).select()"
    @change="take"
    @blur="take"
    @keydown.enter="take"
    @keydown.stop
    @contextmenu.prevent="menu.open(address, $event)"
  />
</template>

<style scoped>
.field {
  width: 88px;
  height: 32px;
  padding: 0 6px;
  border: 1px solid transparent;
  border-radius: 8px;
  background: transparent;
  color: var(--ink);
  font: inherit;
  text-align: right;
}

.field:hover,
.field:focus {
  border-color: var(--rule);
  background: var(--paper);
}

.following {
  font-style: italic;
}
</style>
