<script setup lang="ts">
import { ref } from 'vue'
import { t } from '../../words/t'
import TabBar from '../bars/TabBar.vue'
import ToolBar from '../bars/ToolBar.vue'
import AppButton from '../buttons/AppButton.vue'
import IconButton from '../buttons/IconButton.vue'
import SpecimenRow from './SpecimenRow.vue'

const shown = ref<'class' | 'song' | 'assignment'>('class')
const tabs = (['class', 'song', 'assignment'] as const).map((value, i) => ({
  value,
  text: t(`home.step.${value}`),
  ...(i ? { note: String(i) } : {}),
}))
</script>

<template>
  <SpecimenRow name="TabBar"
    ><TabBar v-model="shown" :tabs="tabs" :label="t('specimens.title')"
  /></SpecimenRow>
  <SpecimenRow name="ToolBar">
    <ToolBar :label="t('specimens.title')">
      <AppButton small>{{ t('ui.save') }}</AppButton>
      <AppButton small disabled>{{ t('ui.cancel') }}</AppButton>
      <IconButton icon="close" :label="t('ui.close')" />
    </ToolBar>
  </SpecimenRow>
</template>
