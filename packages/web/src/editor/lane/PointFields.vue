<script setup lang="ts">
/** The point that is selected, as figures that can be typed, or several of them. */
import type { Form, Point } from '@rudlo/core/envelope'
import { readValue, type Control } from '@rudlo/core/scale'
import { parsePlace, placeShort, type MeterMap } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import FormPicture from './FormPicture.vue'
import { FORMS } from './forms'
import { t } from '../../words/t'

const props = defineProps<{
  control: Control
  meter: MeterMap
  point: Point
  hasNext: boolean
  /** How many points are selected, where they are several. */
  count?: number | undefined
  /** Values that points are often set to. */
  rests?: readonly { readonly text: string; readonly value: number }[] | undefined
  editable: boolean
  /** Whether other lanes share the desk: everything is smaller then. */
  compact?: boolean
}>()

const emit = defineEmits<{
  value: [value: number, clamped: boolean]
  place: [tick: number]
  form: [form: Form, bend: number]
  give: [value: number]
  copy: []
  remove: []
  nonsense: [sentence: string]
}>()

const valueText = ref('')
const placeText = ref('')

function refill(): void {
  valueText.value = props.control.unit.format(props.point.value)
  placeText.value = placeShort(props.meter.placeAt(props.point.tick))
}

watch(() => props.point, refill, { immediate: true })

function takeValue(): void {
  if (valueText.value === props.control.unit.format(props.point.value)) return
  const read = readValue(props.control, valueText.value)
  if (read && props.count && props.count > 1) emit('give', read.value)
  else if (read) emit('value', read.value, read.clamped)
  else emit('nonsense', t('point.no-value', { text: valueText.value }))
  refill()
}

function takePlace(): void {
  if (placeText.value === placeShort(props.meter.placeAt(props.point.tick))) return
  const tick = parsePlace(props.meter, placeText.value)
  if (tick === null) emit('nonsense', t('point.no-place', { text: placeText.value }))
  else emit('place', tick)
  refill()
}

function giveRest(select: HTMLSelectElement): void {
  const rest = props.rests?.[Number(select.value)]
  if (rest) emit('give', rest.value)
  select.value = '-1'
}

/** Each shows its picture; its name is said where somebody rests on it. */
const FORM_CHOICES = FORMS.map(({ key, text }, value) => ({ value, text, tip: text, test: `form-${key}` }))
const chosen = computed(() => {
  const p = props.point
  return FORMS.findIndex((f) => f.form === p.form && Math.sign(f.bend) === Math.sign(p.bend))
})
const choose = (index: number) => emit('form', FORMS[index]!.form, FORMS[index]!.bend)
</script>

<template>
  <div class="point" :class="{ compact }">
    <p v-if="count && count > 1" class="soft">{{ t('point.many', { count }) }}</p>
    <label>
      <span>{{ t('point.value') }}</span>
      <input
        v-model="valueText"
        :readonly="!editable"
        @change="takeValue"
        @keydown.enter="takeValue"
        @keydown.stop
      />
    </label>
    <label>
      <span>{{ t('point.place') }}</span>
      <input
        v-model="placeText"
        :readonly="!editable"
        @change="takePlace"
        @keydown.enter="takePlace"
        @keydown.stop
      />
    </label>
    <template v-if="editable">
      <div v-if="hasNext && control.scale.kind !== 'switch'" v-memo="[chosen]" class="then">
        <p><span class="soft">{{ t('point.then') }}</span> {{ FORMS[chosen]?.text }}</p>
        <ChoiceButtons
          :label="t('point.then')"
          :choices="FORM_CHOICES"
          :model-value="chosen"
          @update:model-value="choose"
        >
          <template #default="{ choice }">
            <FormPicture :form="FORMS[choice.value]!.key" /><span class="unseen">{{ choice.text }}</span>
          </template>
        </ChoiceButtons>
      </div>
      <label v-if="rests?.length">
        <span>{{ t('point.set') }}</span>
        <select
          v-memo="[rests]"
          :value="-1"
          :aria-label="t('point.set')"
          data-test="set-to"
          @change="giveRest($event.target as HTMLSelectElement)"
        >
          <option :value="-1">…</option>
          <option v-for="(rest, i) in rests" :key="rest.text" :value="i">
            {{ rest.text }} ({{ control.unit.format(rest.value) }})
          </option>
        </select>
      </label>
      <div class="acts">
        <button class="chip" :title="t('point.copy.tip')" @click="emit('copy')">
          {{ t('point.copy') }}
        </button>
        <button class="chip" @click="emit('remove')">
          <v-icon icon="$remove" size="18" />{{ compact ? '' : t('point.remove') }}
          <span v-if="compact" class="unseen">{{ t('point.remove') }}</span>
        </button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.point {
  display: grid;
  gap: 5px;
  margin-top: 4px;
}

.then {
  display: grid;
  gap: 2px;
  font-size: 14px;
}

.then :deep(.choice) {
  min-height: 30px;
  padding: 0 2px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
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
  padding-inline: 9px;
}

.compact {
  margin-top: 4px;
}

@media (max-height: 700px) {
  .point {
    gap: 4px;
    margin-top: 6px;
  }
}
</style>
