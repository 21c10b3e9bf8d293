<script setup lang="ts">
import { ref, useTemplateRef } from 'vue'
import { t } from '../../words/t'
import AppButton from '../buttons/AppButton.vue'
import AppDialog from '../overlays/AppDialog.vue'
import AppMenu from '../overlays/AppMenu.vue'
import AskDialog from '../overlays/AskDialog.vue'
import MenuItem from '../overlays/MenuItem.vue'
import NoticeBar from '../overlays/NoticeBar.vue'
import SpecimenRow from './SpecimenRow.vue'

const dialog = ref(false)
const notice = ref<string | null>(null)
const asking = useTemplateRef('asking')
</script>

<template>
  <SpecimenRow name="AppDialog">
    <AppButton data-test="specimen-dialog" @click="dialog = true">{{ t('ui.save') }} …</AppButton>
    <AppDialog v-model="dialog" :title="t('brief.leave.title')">
      <p>{{ t('brief.leave.text') }}</p>
      <template #acts>
        <AppButton tone="quiet" @click="dialog = false">{{ t('ui.cancel') }}</AppButton>
        <AppButton tone="main" @click="dialog = false">{{ t('ui.save') }}</AppButton>
      </template>
    </AppDialog>
  </SpecimenRow>
  <SpecimenRow name="AskDialog">
    <AppButton @click="asking!.ask()">{{ t('ui.unsaved.leave') }} …</AppButton>
    <AskDialog
      ref="asking"
      name="specimen"
      :title="t('brief.leave.title')"
      :text="t('brief.leave.text')"
      :yes="t('ui.unsaved.leave')"
      :no="t('ui.unsaved.stay')"
    />
  </SpecimenRow>
  <SpecimenRow name="AppMenu">
    <AppMenu :label="t('brief.publish')">
      <template #opener="{ opener }"
        ><AppButton v-bind="opener">{{ t('brief.publish') }} …</AppButton></template
      >
      <MenuItem icon="add">{{ t('ui.save') }}</MenuItem>
      <MenuItem>{{ t('ui.cancel') }}</MenuItem>
      <MenuItem disabled>{{ t('ui.close') }}</MenuItem>
    </AppMenu>
  </SpecimenRow>
  <SpecimenRow name="NoticeBar">
    <AppButton @click="notice = t('home.step.song.text')">{{ t('ui.save') }}</AppButton>
    <NoticeBar v-model="notice" />
  </SpecimenRow>
</template>
