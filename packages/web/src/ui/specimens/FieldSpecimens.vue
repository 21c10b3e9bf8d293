<script setup lang="ts">
import { ref } from 'vue'
import { t } from '../../words/t'
import CheckBoxes from '../fields/CheckBoxes.vue'
import CheckField from '../fields/CheckField.vue'
import DateField from '../fields/DateField.vue'
import FileButton from '../fields/FileButton.vue'
import FileField from '../fields/FileField.vue'
import MomentField from '../fields/MomentField.vue'
import MultiSelect from '../fields/MultiSelect.vue'
import NumberField from '../fields/NumberField.vue'
import PasswordField from '../fields/PasswordField.vue'
import PlainInput from '../fields/PlainInput.vue'
import RadioList from '../fields/RadioList.vue'
import SelectField from '../fields/SelectField.vue'
import SliderField from '../fields/SliderField.vue'
import SwitchField from '../fields/SwitchField.vue'
import TextArea from '../fields/TextArea.vue'
import TextField from '../fields/TextField.vue'
import FormProblem from '../forms/FormProblem.vue'
import SpecimenRow from './SpecimenRow.vue'

const label = t('class.name')
const hint = t('home.step.song.text')
const fault = t('ui.time.odd')
const text = ref('')
const number = ref<number | null>(5)
const day = ref<string | null>('2026-11-29')
const moment = ref<string | null>('2026-11-29T17:00:00Z')
const on = ref(true)
const one = ref<'class' | 'song' | 'assignment'>('class')
const several = ref<readonly ('class' | 'song' | 'assignment')[]>(['class'])
const choices = (['class', 'song', 'assignment'] as const).map((value) => ({
  value,
  text: t(`home.step.${value}`),
  about: t(`home.step.${value}.text`),
}))
</script>

<template>
  <SpecimenRow name="TextField">
    <TextField v-model="text" :label="label" />
    <TextField v-model="text" :label="label" :hint="hint" />
    <TextField v-model="text" :label="label" :fault="fault" />
    <TextField v-model="text" :label="label" compact />
  </SpecimenRow>
  <SpecimenRow name="TextArea">
    <TextArea v-model="text" :label="label" :hint="hint" />
    <TextArea v-model="text" :label="label" :fault="fault" />
  </SpecimenRow>
  <SpecimenRow name="NumberField">
    <NumberField v-model="number" :label="label" unit="dB" />
    <NumberField v-model="number" :label="label" compact :fault="fault" />
  </SpecimenRow>
  <SpecimenRow name="PasswordField"
    ><PasswordField v-model="text" :label="label" kind="new-password"
  /></SpecimenRow>
  <SpecimenRow name="PlainInput"><PlainInput :label="label" value="−6.0" /></SpecimenRow>
  <SpecimenRow name="SelectField">
    <SelectField v-model="one" :label="label" :choices="choices" />
    <SelectField v-model="one" :label="label" :choices="choices" :fault="fault" />
    <SelectField v-model="one" :label="label" :choices="choices" disabled />
  </SpecimenRow>
  <SpecimenRow name="MultiSelect">
    <MultiSelect v-model="several" :label="label" :choices="choices" :said="String(several.length)" />
  </SpecimenRow>
  <SpecimenRow name="RadioList"><RadioList v-model="one" :label="label" :choices="choices" /></SpecimenRow>
  <SpecimenRow name="CheckBoxes"
    ><CheckBoxes v-model="several" :label="label" :choices="choices"
  /></SpecimenRow>
  <SpecimenRow name="CheckField">
    <CheckField v-model="on" :label="label" />
    <CheckField v-model="on" :label="label" :hint="hint" />
    <CheckField v-model="on" :label="label" disabled />
  </SpecimenRow>
  <SpecimenRow name="SwitchField">
    <SwitchField v-model="on" :label="label" />
    <SwitchField v-model="on" :label="label" disabled />
  </SpecimenRow>
  <SpecimenRow name="SliderField">
    <SliderField
      :model-value="number ?? 0"
      :label="label"
      :min="0"
      :max="10"
      :said="`${number} dB`"
      @update:model-value="(to) => (number = to)"
    />
  </SpecimenRow>
  <SpecimenRow name="DateField">
    <DateField v-model="day" :label="label" />
    <DateField v-model="day" :label="label" :fault="fault" />
  </SpecimenRow>
  <SpecimenRow name="MomentField"><MomentField v-model="moment" :label="label" /></SpecimenRow>
  <SpecimenRow name="FileField">
    <FileField :label="label" accept=".wav" :hint="hint" />
    <FileButton :text="label" accept=".wav" test="specimen-file" />
  </SpecimenRow>
  <SpecimenRow name="FormProblem"><FormProblem :text="fault" /></SpecimenRow>
</template>
