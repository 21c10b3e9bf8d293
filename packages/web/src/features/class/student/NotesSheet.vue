<script setup lang="ts">
/** What teachers note about a student. It is never shown to students, and never printed. */
import type { StudentNotes } from '@rudlo/contract/term'
import { ref, watch } from 'vue'
import { server, told } from '../../../api/client'
import AppButton from '../../../ui/buttons/AppButton.vue'
import TextArea from '../../../ui/fields/TextArea.vue'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { useForm } from '../../../ui/forms/use-form'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'

const props = defineProps<{ group: string; person: string; notes: StudentNotes }>()

const text = ref(props.notes.text)
const revision = ref(props.notes.revision)
const saved = ref(false)
watch(text, () => (saved.value = false))

const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/term').then((m) => m.ChangedNotes),
  async (json) => {
    const { group, person } = props
    const kept = await told(
      server.groups[':group'].students[':person'].notes.$put({ param: { group, person }, json }),
    )
    revision.value = kept.revision
    saved.value = true
  },
)
const save = () => submit({ text: text.value, revision: revision.value })
</script>

<template>
  <PageSection :title="t('student.notes')" :about="t('student.notes.about')">
    <form @submit.prevent="save">
      <TextArea v-model="text" :label="t('student.notes')" :fault="fault('text')" data-test="notes" />
      <div class="foot">
        <AppButton type="submit" tone="main" small :busy="busy" data-test="save-notes">{{
          t('ui.save')
        }}</AppButton>
        <span class="soft" role="status">{{
          saved
            ? t('student.notes.saved')
            : notes.updatedAt && notes.author
              ? t('student.notes.by', { name: notes.author, when: whenText(notes.updatedAt) })
              : ''
        }}</span>
      </div>
      <FormProblem :text="problem" />
    </form>
  </PageSection>
</template>

<style scoped>
form {
  display: grid;
  gap: var(--space-2);
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  align-items: center;
}
</style>
