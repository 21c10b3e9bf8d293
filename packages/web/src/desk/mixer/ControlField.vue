<script setup lang="ts">
/** The value of a control as text that can be typed. */
import { readValue } from '@rudlo/core/scale'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import { useControlMenu } from './control-menu'
import { useControl } from './use-control'
import PlainInput from '../../ui/fields/PlainInput.vue'
import { t } from '../../words/t'

const props = defineProps<{ address: string; label: string }>()

const work = useWork()
const { control, told, inCharge, set } = useControl(() => props.address)
const menu = useControlMenu()
const typing = ref<string | null>(null)
const shown = computed(() => typing.value ?? control.value.unit.format(told.value))

function take(): void {
  const text = typing.value
  typing.value = null
  if (text === null || text === control.value.unit.format(told.value)) return
  const read = readValue(control.value, text)
  if (!read) {
    work.notice = t('control.no-value', { text, example: control.value.unit.format(control.value.initial) })
    return
  }
  if (read.clamped) work.notice = t('control.beyond', { value: control.value.unit.format(read.value) })
  set(read.value)
}
</script>

<template>
  <PlainInput
    class="field"
    :class="{ following: inCharge }"
    :value="shown"
    :label="label"
    @typing="typing = $event"
    @take="take"
    @contextmenu.prevent="menu.open(address, $event)"
  />
</template>

<style scoped>
.following {
  font-style: italic;
}
</style>
