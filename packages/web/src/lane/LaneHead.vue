<script setup lang="ts">
/** The head of a lane: whose it is, its value now, and the selected point as figures that can be typed. */
import { bendThrough, type Form, type Point } from '@rudlo/core/envelope'
import { readValue, type Control } from '@rudlo/core/scale'
import { parsePlace, placeShort, type MeterMap } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'

const props = defineProps<{
  name: string
  control: Control
  meter: MeterMap
  /** The value to read from afar, and where it is. */
  value: number
  where: string
  note?: string
  point: Point | null
  hasNext: boolean
  editable: boolean
}>()

const emit = defineEmits<{
  value: [value: number, clamped: boolean]
  place: [tick: number]
  form: [form: Form, bend: number]
  remove: []
  nonsense: [sentence: string]
}>()

const valueText = ref('')
const placeText = ref('')

function refill(): void {
  valueText.value = props.point ? props.control.unit.format(props.point.value) : ''
  placeText.value = props.point ? placeShort(props.meter.placeAt(props.point.tick)) : ''
}
watch(() => props.point, refill, { immediate: true })

function takeValue(): void {
  if (!props.point || valueText.value === props.control.unit.format(props.point.value)) return
  const read = readValue(props.control, valueText.value)
  if (read) emit('value', read.value, read.clamped)
  else emit('nonsense', `“${valueText.value}” is no value here. Type for instance −6, +2.5 dB or silent.`)
  refill()
}

function takePlace(): void {
  if (!props.point || placeText.value === placeShort(props.meter.placeAt(props.point.tick))) return
  const tick = parsePlace(props.meter, placeText.value)
  if (tick === null)
    emit('nonsense', `“${placeText.value}” is no place. Type a bar and a beat, for instance 9.1.`)
  else emit('place', tick)
  refill()
}

/** The ways from a point to the next, in the words of a lesson. */
const FORMS: readonly { text: string; form: Form; bend: number }[] = [
  { text: 'straight', form: 'straight', bend: 0 },
  { text: 'early', form: 'curve', bend: bendThrough(0.8, 8) },
  { text: 'late', form: 'curve', bend: bendThrough(0.2, 8) },
  { text: 'soft ends', form: 's', bend: 3 },
  { text: 'jump', form: 'jump', bend: 0 },
]
const chosen = computed(() => {
  const p = props.point
  return FORMS.findIndex((f) => f.form === p?.form && Math.sign(f.bend) === Math.sign(p.bend))
})
const choose = (index: number) => emit('form', FORMS[index]!.form, FORMS[index]!.bend)
</script>

<template>
  <div class="lane-head">
    <h2><span class="head" :class="control.family" aria-hidden="true" />{{ name }}</h2>
    <slot name="control"
      ><p class="soft">{{ control.name }}</p></slot
    >
    <p class="now">{{ control.unit.format(value) }}</p>
    <p class="soft where">{{ where }}</p>
    <p v-if="note" class="soft where">{{ note }}</p>
    <div v-if="point" class="point">
      <label>
        <span>Value</span>
        <input
          v-model="valueText"
          :readonly="!editable"
          @change="takeValue"
          @keydown.enter="takeValue"
          @keydown.stop
        />
      </label>
      <label>
        <span>Place</span>
        <input
          v-model="placeText"
          :readonly="!editable"
          @change="takePlace"
          @keydown.enter="takePlace"
          @keydown.stop
        />
      </label>
      <template v-if="editable">
        <label v-if="hasNext">
          <span>Then</span>
          <select :value="chosen" @change="choose(Number(($event.target as HTMLSelectElement).value))">
            <option v-for="(f, i) in FORMS" :key="f.text" :value="i">{{ f.text }}</option>
          </select>
        </label>
        <button class="chip" @click="emit('remove')"><v-icon icon="$remove" size="18" />Remove</button>
      </template>
    </div>
    <slot v-else />
  </div>
</template>

<style scoped>
.lane-head {
  display: flex;
  flex-direction: column;
  gap: 2px;
  padding: 12px 14px;
  overflow: auto;
  border-right: 1px solid var(--rule);
}

h2 {
  display: flex;
  align-items: center;
  gap: 8px;
  font-size: 17px;
}

.head {
  width: 16px;
  height: 11px;
  border-radius: 50%;
  transform: rotate(-20deg);
  background: var(--family-volume);
}

.head.pan {
  background: var(--family-pan);
}

.head.send {
  background: var(--family-send);
}

.head.effect {
  background: var(--family-effect);
}

.head.switch {
  background: var(--family-switch);
}

.now {
  margin-top: 6px;
  font-size: 33px;
  font-weight: 680;
  line-height: 1.1;
  white-space: nowrap;
}

.where {
  font-size: 14px;
}

.point {
  display: grid;
  gap: 6px;
  margin-top: 10px;
}

label {
  display: grid;
  grid-template-columns: 46px 1fr;
  align-items: center;
  font-size: 14px;
}

label span {
  color: var(--soft);
}

input,
select {
  width: 100%;
  min-width: 0;
  height: 32px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}

.chip {
  justify-content: center;
}

@media (max-height: 700px) {
  .now {
    font-size: 28px;
  }

  .lane-head {
    padding: 8px 12px;
  }

  .point {
    gap: 4px;
    margin-top: 6px;
  }
}
</style>
