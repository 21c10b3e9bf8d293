<script setup lang="ts">
/** Who does something together in the next lesson. */
import { ref } from 'vue'
import { server, told } from '../../../api/client'
import AppButton from '../../../ui/buttons/AppButton.vue'
import IconButton from '../../../ui/buttons/IconButton.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { t } from '../../../words/t'
import { useTerm } from './term-store'

const store = useTerm()
const problem = ref('')

const part = (small: string) =>
  attempt(
    async () => {
      const group = store.term!.group.id
      await told(server.groups[':group']['small-groups'][':small'].$delete({ param: { group, small } }))
      await store.open(group)
    },
    (sentence) => (problem.value = sentence),
  )
</script>

<template>
  <PageSection v-if="store.term?.smallGroups.length" :title="t('term.small')" data-test="small-groups">
    <ul class="plain-list">
      <li v-for="s in store.term.smallGroups" :key="s.id" data-test="small-group">
        <span class="what"
          ><b>{{ s.title }}</b> <span class="soft">{{ s.students.map(store.nameOf).join(', ') }}</span></span
        >
        <AppButton tone="quiet" small data-test="choose-small" @click="store.chosen = s.students">{{
          t('term.small.choose')
        }}</AppButton>
        <IconButton
          icon="met"
          small
          :label="t('term.small.part', { title: s.title })"
          data-test="part-small"
          @click="part(s.id)"
        />
      </li>
    </ul>
    <FormProblem :text="problem" />
  </PageSection>
</template>

<style scoped>
li {
  display: flex;
  gap: var(--space-1);
  align-items: center;
}

.what {
  flex: 1;
}
</style>
