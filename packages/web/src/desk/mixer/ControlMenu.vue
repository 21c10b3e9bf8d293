<script setup lang="ts">
/** What can be done with any control: its resting values, the way back to the starting mix, its line, why it is silent. */
import { laneName } from '@rudlo/core/assess'
import { envelopeOf, resolve, restoreControl, withSetting } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useDesk } from '../desk-store'
import { useWork } from '../../document/work-store'
import { useControlMenu } from './control-menu'

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
  label: `${label}: ${control.value.name.toLowerCase()} of ${name.value}`,
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
  work.setMix(
    (mix) => restoreControl(mix, desk.given!.startingMix, address),
    change('Back to the starting mix'),
  )
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
  <v-menu
    :model-value="found !== null"
    :target="[...menu.at]"
    @update:model-value="(open: boolean) => open || (menu.address = null)"
  >
    <div v-if="found" class="sheet list" role="menu" :aria-label="`${control.name}, ${name}`">
      <p class="soft">{{ control.name }} of {{ name }}</p>
      <button role="menuitem" @click="set(control.initial, 'Back to its default')">
        Its default <b>{{ text(control.initial) }}</b>
      </button>
      <button
        v-if="control.neutral !== control.initial"
        role="menuitem"
        @click="set(control.neutral, 'Set to where it does nothing')"
      >
        Where it does nothing <b>{{ text(control.neutral) }}</b>
      </button>
      <button v-if="start" role="menuitem" data-test="restore-control" @click="restore">
        As in the starting mix <b>{{ startLine ? 'its line' : text(start.setting) }}</b>
      </button>
      <hr />
      <button role="menuitem" data-test="show-line" @click="showLine">Show its line</button>
      <button role="menuitem" @click="why">Why does it do nothing?</button>
    </div>
  </v-menu>
</template>

<style scoped>
.list {
  display: grid;
  min-width: 250px;
  padding: 8px;
}

p {
  padding: 2px 10px 4px;
  font-size: 13px;
}

button {
  display: flex;
  gap: 24px;
  align-items: center;
  justify-content: space-between;
  min-height: 36px;
  padding: 0 10px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

button:hover,
button:focus-visible {
  background: var(--wash);
}

hr {
  margin: 4px 10px;
  border: 0;
  border-top: 1px solid var(--rule);
}
</style>
