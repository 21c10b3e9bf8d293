<script setup lang="ts">
/** The point that is selected, as figures that can be typed, or several of them. */
import { bendOfShare, bendShare, MAX_BEND, type Form, type Point } from '@rudlo/core/envelope'
import { percent, readValue, type Control } from '@rudlo/core/scale'
import { parsePlace, placeShort, type MeterMap } from '@rudlo/core/time'
import { computed, ref, watch } from 'vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
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
  /** Whether values and forms can be copied to others. */
  copies?: boolean
  /** A form that was copied from another span. */
  copiedForm?: { readonly form: Form; readonly bend: number } | null | undefined
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
  copyForm: []
  remove: []
  nonsense: [sentence: string]
}>()

const valueText = ref('')
const placeText = ref('')
const bendText = ref('')
/** Whether its bend has a figure. */
const isBent = computed(() => props.point.form === 'curve' || props.point.form === 's')

function refill(): void {
  valueText.value = props.control.unit.format(props.point.value)
  placeText.value = placeShort(props.meter.placeAt(props.point.tick))
  bendText.value = percent.format(bendShare(props.point.form, props.point.bend))
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

function takeBend(): void {
  const { form, bend } = props.point
  if (bendText.value === percent.format(bendShare(form, bend))) return
  const share = percent.parse(bendText.value)
  if (share === null) emit('nonsense', t('point.no-share', { text: bendText.value }))
  else emit('form', form, bendOfShare(form, share, MAX_BEND))
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
    <div class="row">
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
      <IconButton
        v-if="editable && copies"
        icon="copy"
        :label="t('point.copy')"
        :tip="t('point.copy.tip')"
        @click="emit('copy')"
      />
    </div>
    <div class="row">
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
      <IconButton v-if="editable" icon="remove" :label="t('point.remove')" @click="emit('remove')" />
    </div>
    <template v-if="editable">
      <div
        v-if="hasNext && control.scale.kind !== 'switch'"
        v-memo="[chosen, bendText, copiedForm]"
        class="then"
      >
        <div class="row">
          <p><span class="soft">{{ t('point.then') }}</span> {{ FORMS[chosen]?.text }}</p>
          <IconButton
            v-if="copies"
            icon="copy"
            :label="t('point.copy-shape')"
            data-test="copy-shape"
            @click="emit('copyForm')"
          />
          <IconButton
            v-if="copiedForm"
            icon="paste"
            :label="t('point.give-shape')"
            data-test="give-shape"
            @click="emit('form', copiedForm.form, copiedForm.bend)"
          />
        </div>
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
        <label v-if="isBent" class="bend">
          <span>{{ t(point.form === 's' ? 'point.quarter' : 'point.halfway') }}</span>
          <input
            v-model="bendText"
            data-test="bend"
            :data-tip="t(point.form === 's' ? 'point.quarter.tip' : 'point.halfway.tip')"
            @change="takeBend"
            @keydown.enter="takeBend"
            @keydown.stop
          />
        </label>
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

.row {
  display: flex;
  gap: 2px;
  align-items: center;
}

.row > :first-child {
  flex: 1;
}

.then .row {
  min-height: 32px;
}

label {
  display: grid;
  grid-template-columns: 46px 1fr;
  align-items: center;
  font-size: 14px;
}

.bend {
  grid-template-columns: auto 1fr;
  gap: 8px;
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

.compact {
  margin-top: 4px;
}

@media (max-height: 700px) {
  .point {
    gap: 2px;
    margin-top: 0;
  }
}

@media (pointer: coarse) {
  input,
  select {
    height: var(--target);
  }

  /* five forms in a narrow head: two rows of them */
  .then :deep(.choices) {
    flex-wrap: wrap;
    border-radius: var(--radius-m);
  }

  .then :deep(.choice) {
    min-height: var(--target);
  }
}
</style>
