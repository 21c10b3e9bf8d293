<script setup lang="ts">
import { ref } from 'vue'
import { t } from '../../words/t'
import AppButton from '../buttons/AppButton.vue'
import ChoiceButtons from '../buttons/ChoiceButtons.vue'
import IconButton from '../buttons/IconButton.vue'
import RowButton from '../buttons/RowButton.vue'
import AppTag from '../marks/AppTag.vue'
import TermText from '../marks/TermText.vue'
import SpecimenRow from './SpecimenRow.vue'

const TONES = ['main', 'plain', 'quiet', 'danger'] as const
const chosen = ref('light')
const choices = (['light', 'dark', 'system'] as const).map((value) => ({
  value,
  text: t(`shell.colours.${value}`),
}))
</script>

<template>
  <SpecimenRow name="AppButton">
    <AppButton v-for="tone in TONES" :key="tone" :tone="tone" :tip="t('brief.publish')">{{
      t('brief.publish')
    }}</AppButton>
    <AppButton small>{{ t('ui.save') }}</AppButton>
    <AppButton large tone="main">{{ t('ui.save') }}</AppButton>
    <AppButton icon="add">{{ t('brief.publish') }}</AppButton>
    <AppButton busy>{{ t('ui.save') }}</AppButton>
    <AppButton disabled>{{ t('ui.save') }}</AppButton>
    <AppButton aria-pressed="true">{{ t('ui.save') }}</AppButton>
    <span class="on-desk"
      ><AppButton tone="desk">{{ t('ui.save') }}</AppButton
      ><IconButton icon="close" desk :label="t('ui.close')"
    /></span>
  </SpecimenRow>
  <SpecimenRow name="IconButton">
    <IconButton icon="close" :label="t('ui.close')" />
    <IconButton icon="close" :label="t('ui.close')" aria-pressed="true" />
    <IconButton icon="close" :label="t('ui.close')" disabled />
  </SpecimenRow>
  <SpecimenRow name="ChoiceButtons">
    <ChoiceButtons v-model="chosen" :choices="choices" :label="t('shell.colours')" />
  </SpecimenRow>
  <SpecimenRow name="RowButton">
    <RowButton :tip="t('ui.close')">{{ t('home.step.class.text') }}</RowButton>
  </SpecimenRow>
  <SpecimenRow name="AppTag">
    <AppTag
      v-for="tone in ['plain', 'good', 'close', 'warm'] as const"
      :key="tone"
      :tone="tone"
      :text="t('ui.save')"
    />
  </SpecimenRow>
  <SpecimenRow name="TermText"
    ><TermText :text="t('figures.whole', { lufs: 0, range: 0, peak: 0 })"
  /></SpecimenRow>
</template>

<style scoped>
.on-desk {
  display: flex;
  padding: var(--space-1);
  border-radius: var(--radius-s);
  background: var(--desk);
}
</style>
