<script setup lang="ts">
/** The end of a term: everything in one file, a new term with the same students or assignments, and removing the class. */
import type { GroupView } from '@rudlo/contract/people'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../../api/client'
import AskRemove from '../../../desk/removed/AskRemove.vue'
import RemovedList from '../../../desk/removed/RemovedList.vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import CheckField from '../../../ui/fields/CheckField.vue'
import TextField from '../../../ui/fields/TextField.vue'
import { attempt } from '../../../ui/forms/attempt'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { useForm } from '../../../ui/forms/use-form'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import PageSection from '../../../ui/page/PageSection.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { useClass } from './class-store'

const props = defineProps<{ group: GroupView }>()

const store = useClass()
const router = useRouter()
const asked = useTemplateRef('asked')
const beginning = ref(false)
const name = ref('')
const students = ref(true)
const chosen = ref<readonly string[]>([])
const assignments = shallowRef<readonly { readonly id: string; readonly title: string }[]>([])
const fault = ref('')
const archive = (sound: 'yes' | 'no') => `/api/groups/${props.group.id}/archive.zip?sound=${sound}`
const tell = (sentence: string) => (fault.value = sentence)
const param = computed(() => ({ group: props.group.id }))

const { busy, problem, submit } = useForm(
  () => import('@rudlo/contract/people').then((m) => m.NextTerm),
  async (json) => {
    const { id } = await told(server.groups[':group']['next-term'].$post({ param: param.value, json }))
    beginning.value = false
    await store.load()
    await router.push(`/class/${id}/term`)
  },
)
async function begin(): Promise<void> {
  fault.value = ''
  problem.value = ''
  name.value = t('class.next.name', { name: props.group.name })
  await attempt(async () => {
    const term = await told(server.groups[':group'].term.$get({ param: param.value }))
    assignments.value = term.assignments
    chosen.value = []
    beginning.value = true
  }, tell)
}
const create = () =>
  submit({
    name: name.value,
    place: props.group.place,
    students: students.value,
    assignments: [...chosen.value],
  })
const reopen = () =>
  attempt(async () => {
    await told(server.groups[':group'].reopen.$post({ param: param.value }))
    await store.open(props.group.id)
    await store.load()
  }, tell)

async function remove(): Promise<void> {
  await attempt(async () => {
    const hanging = await told(server.groups[':group'].hanging.$get({ param: param.value }))
    if (!(await asked.value!.ask(props.group.name, hanging))) return
    await told(server.groups[':group'].$delete({ param: param.value }))
    await store.load()
    await router.push('/class')
  }, tell)
}
const toggle = (id: string, on: boolean) =>
  (chosen.value = on ? [...chosen.value, id] : chosen.value.filter((c) => c !== id))
</script>

<template>
  <PageSection
    :title="t('class.end')"
    :about="group.endedAt ? t('class.ended', { when: whenText(group.endedAt) }) : t('class.end.about')"
  >
    <div class="acts">
      <AppButton icon="files" :href="archive('no')" download data-test="archive">{{
        t('class.archive')
      }}</AppButton>
      <AppButton icon="listen" :href="archive('yes')" download>{{ t('class.archive.sound') }}</AppButton>
      <AppButton v-if="group.endedAt" data-test="reopen" @click="reopen">{{ t('class.reopen') }}</AppButton>
      <AppButton v-else data-test="next-term" @click="begin">{{ t('class.next') }}</AppButton>
      <AppButton tone="danger" icon="remove" data-test="remove-class" @click="remove">{{
        t('class.remove-class')
      }}</AppButton>
    </div>
    <FormProblem :text="fault" />
  </PageSection>
  <RemovedList kind="class" @restored="store.load()" />
  <AskRemove ref="asked" />
  <AppDialog v-model="beginning" :title="t('class.next')">
    <p class="soft">{{ t('class.next.about') }}</p>
    <TextField v-model="name" :label="t('class.about.name')" data-test="next-name" />
    <CheckField v-model="students" :label="t('class.next.students', { n: group.students.length })" />
    <section v-if="assignments.length">
      <b>{{ t('class.next.assignments') }}</b>
      <div class="list">
        <CheckField
          v-for="a in assignments"
          :key="a.id"
          :label="a.title"
          :model-value="chosen.includes(a.id)"
          data-test="next-assignment"
          @update:model-value="(on) => toggle(a.id, on)"
        />
      </div>
    </section>
    <FormProblem :text="problem" />
    <template #acts>
      <AppButton tone="main" :busy="busy" data-test="begin-term" @click="create">{{
        t('class.next.do')
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
}

.list {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
}
</style>
