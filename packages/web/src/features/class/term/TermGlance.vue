<script setup lang="ts">
/** Students down, assignments across; beside it the commonest mistakes and the next lesson. */
import { computed, ref } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import ChoiceButtons from '../../../ui/buttons/ChoiceButtons.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { t } from '../../../words/t'
import ChosenActs from './ChosenActs.vue'
import HowDialog from './HowDialog.vue'
import MistakeChart from './MistakeChart.vue'
import NextLesson from './NextLesson.vue'
import { ORDERS } from './order'
import SmallGroups from './SmallGroups.vue'
import { useTerm } from './term-store'
import TermLegend from './TermLegend.vue'
import TermTable from './TermTable.vue'

const emit = defineEmits<{ open: [assignment: string] }>()

const store = useTerm()
const explaining = ref(false)
const term = computed(() => store.term!)
const orders = ORDERS.map((value) => ({ value, text: t(`term.order.${value}`), test: `order-${value}` }))
</script>

<template>
  <div class="term-glance">
    <section class="sheet term-sheet" :aria-label="t('term.title')">
      <header>
        <h2>{{ t('term.title') }}</h2>
        <ChoiceButtons v-model="store.order" :choices="orders" :label="t('term.order')" />
        <AppButton tone="quiet" small icon="help" data-test="how" @click="explaining = true">{{
          t('term.how')
        }}</AppButton>
        <span class="push" />
        <AppButton small icon="lesson" :to="`/projector/${term.group.id}`" data-test="to-projector">{{
          t('term.projector')
        }}</AppButton>
      </header>
      <ChosenActs v-if="store.chosen.length" />
      <TermTable @open="(id) => emit('open', id)" />
      <TermLegend />
    </section>
    <aside>
      <SmallGroups />
      <NextLesson :next="term.next" :group="term.group.id" />
      <PageSection :title="t('term.mistakes')" :about="t('term.mistakes.about')">
        <MistakeChart
          :mistakes="term.mistakes.slice(0, 6)"
          :of="term.students.length"
          :group="term.group.id"
          test="term-mistakes"
        />
      </PageSection>
    </aside>
    <HowDialog v-model="explaining" />
  </div>
</template>

<style scoped>
.term-glance {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: var(--space-4);
  align-items: start;
}

.term-sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-3);
  padding: var(--space-3) var(--space-4);
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2) var(--space-3);
  align-items: center;
}

h2 {
  font-size: var(--text-4);
}

.push {
  flex: 1;
}

aside {
  display: grid;
  gap: var(--space-4);
}

@media (max-width: 1180px) {
  .term-glance {
    grid-template-columns: minmax(0, 1fr);
  }

  aside {
    grid-template-columns: 1fr 1fr;
    align-items: start;
  }
}

@media (max-width: 700px) {
  aside {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
