<script setup lang="ts">
/** A control with two states as a button. */
import { useControlMenu } from './control-menu'
import { useControl } from './use-control'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'

const menu = useControlMenu()
const props = defineProps<{ address: string; label: string; text: string }>()
const { value, inCharge, set } = useControl(() => props.address)
</script>

<template>
  <AppButton
    small
    :class="{ following: inCharge }"
    :aria-pressed="value >= 0.5"
    :aria-label="label"
    :tip="inCharge ? t('control.switch.in-charge', { label }) : label"
    @click="set(value >= 0.5 ? 0 : 1)"
    @contextmenu.prevent="menu.open(address, $event)"
  >
    {{ text }}
  </AppButton>
</template>

<style scoped src="./short-button.css"></style>

<style scoped>
.following {
  border-style: dashed;
}
</style>
