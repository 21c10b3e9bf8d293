<script setup lang="ts">
/** The mix as it should be, and what can be done with it: tasks suggested from it, the assignment tried out on it. */
import AppButton from '../../ui/buttons/AppButton.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'
import TrialResult from './TrialResult.vue'

defineProps<{ assignment: string }>()
const store = useBrief()
</script>

<template>
  <div class="parts">
    <PageSection
      :title="t(store.model ? 'brief.model.yes' : 'brief.model.no')"
      :about="t(store.model ? 'brief.model.yes.about' : 'brief.model.no.about')"
    >
      <div class="row">
        <AppButton :to="`/bench/${assignment}`" data-test="make-model">{{
          t(store.model ? 'brief.model.change' : 'brief.model.make')
        }}</AppButton>
        <AppButton v-if="store.model" data-test="propose" @click="store.propose()">{{
          t('brief.model.suggest')
        }}</AppButton>
      </div>
    </PageSection>
    <PageSection :title="t('brief.tried')" :about="t('brief.try.about')">
      <template #acts>
        <AppButton :busy="store.trying" data-test="try-out" @click="store.tryOut()">{{
          t('brief.try')
        }}</AppButton>
      </template>
      <TrialResult v-if="store.trial" />
    </PageSection>
  </div>
</template>

<style scoped>
.parts {
  display: grid;
  gap: var(--space-3);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}
</style>
