<script setup lang="ts">
/** What can be done with any control: its resting values, the way back to the starting mix, its line, why it is silent. */
import { laneName } from '@rudlo/core/assess'
import { envelopeOf, resolve, restoreControl, withSetting } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import { useControlMenu } from './control-menu'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { t } from '../../words/t'
import AppMenu from '../../ui/overlays/AppMenu.vue'

const menu = useControlMenu()
const desk = useDesk()
const work = useWork()

const found = computed(() => (menu.address && work.mix ? resolve(work.mix, menu.address) : null))
const control = computed(() => found.value!.control)
const name = computed(() => laneName(desk.song!, work.mix!, menu.address!).split(',')[0]!)
const start = computed(() => resolve(desk.given!.startingMix, menu.address!))
const startLine = computed(() => envelopeOf(desk.given!.startingMix, menu.address!)?.points.length)
const text = (value: number) => control.value.unit.format(value)
const change = (label: string) => ({
  label: t('control.did', { what: label, control: control.value.name.toLowerCase(), name: name.value }),
  lanes: [menu.address!],
  from: 0,
  to: desk.song!.length,
})

function set(value: number, label: string): void {
  const address = menu.address!
  work.setMix((mix) => withSetting(mix, address, value), change(label))
  menu.address = null
}

function restore(): void {
  const address = menu.address!
  work.setMix((mix) => restoreControl(mix, desk.given!.startingMix, address), change(t('control.did.start')))
  menu.address = null
}

function showLine(): void {
  desk.address = menu.address!
  desk.view = 'lines'
  menu.address = null
}

function why(): void {
  desk.asked = menu.address
  menu.address = null
}
</script>

<template>
  <AppMenu
    v-if="found"
    :model-value="true"
    :at="[menu.at[0]!, menu.at[1]!]"
    :label="t('control.title', { control: control.name, name })"
    @update:model-value="(open: boolean) => open || (menu.address = null)"
  >
    <MenuItem @click="set(control.initial, t('control.did.default'))">
      {{ t('control.to-default') }}<template #end><b>{{ text(control.initial) }}</b></template>
    </MenuItem>
    <MenuItem
      v-if="control.neutral !== control.initial"
      @click="set(control.neutral, t('control.did.neutral'))"
    >
      {{ t('control.to-neutral') }}<template #end><b>{{ text(control.neutral) }}</b></template>
    </MenuItem>
    <MenuItem v-if="start" data-test="restore-control" @click="restore">
      {{ t('control.to-start')
      }}<template #end><b>{{ startLine ? t('control.its-line') : text(start.setting) }}</b></template>
    </MenuItem>
    <v-divider />
    <MenuItem data-test="show-line" @click="showLine">{{ t('control.show-line') }}</MenuItem>
    <MenuItem @click="why">{{ t('control.why') }}</MenuItem>
  </AppMenu>
</template>

<style scoped>
b {
  margin-left: var(--space-5);
}
</style>
