<script setup lang="ts">
import { t } from '../../words/t'
import AppButton from '../buttons/AppButton.vue'
import FoldSection from '../page/FoldSection.vue'
import PageSection from '../page/PageSection.vue'
import RoomState from '../page/RoomState.vue'
import SpecimenRow from './SpecimenRow.vue'
</script>

<template>
  <SpecimenRow name="RoomState">
    <RoomState loading />
    <RoomState :problem="t('ui.unreachable')" />
    <RoomState :empty="{ title: t('home.step.class'), text: t('home.step.class.text') }">
      <AppButton tone="main">{{ t('home.step.class') }}</AppButton>
    </RoomState>
  </SpecimenRow>
  <SpecimenRow name="PageSection">
    <PageSection :title="t('home.step.song')" :about="t('home.step.song.text')">
      <template #acts><AppButton small>{{ t('ui.save') }}</AppButton></template>
      <p>{{ t('home.step.assignment.text') }}</p>
    </PageSection>
  </SpecimenRow>
  <SpecimenRow name="FoldSection">
    <FoldSection :title="t('figures.title')" note="3"
      ><p>{{ t('home.step.assignment.text') }}</p></FoldSection
    >
  </SpecimenRow>
</template>
