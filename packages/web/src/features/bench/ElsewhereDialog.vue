<script setup lang="ts">
/** This work is open in another window: what can be done about it. */
import { useWork } from '../../document/work-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import AppDialog from '../../ui/overlays/AppDialog.vue'

const work = useWork()
</script>

<template>
  <AppDialog :model-value="work.elsewhere" persistent alert :title="t('elsewhere.title')">
    <p>{{ t('elsewhere.text') }}</p>
    <template #acts>
      <AppButton tone="main" data-test="work-here" @click="work.workHere()">{{
        t('elsewhere.here')
      }}</AppButton>
    </template>
  </AppDialog>
</template>
