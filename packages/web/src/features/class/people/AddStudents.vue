<script setup lang="ts">
/** Takes students into a class: typed or pasted, from a table, or from the two files of a OneRoster export. */
import type { RosterAnswer } from '@rudlo/contract/people'
import { computed, ref, shallowRef, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import FileButton from '../../../ui/fields/FileButton.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import TextArea from '../../../ui/fields/TextArea.vue'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { keepKeys } from '../../../ui/keys/keep-keys'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { t } from '../../../words/t'
import { useClass } from './class-store'
import { decodeText } from './decode-text'

const open = defineModel<boolean>({ required: true })
const store = useClass()
const text = ref('')
const enrollments = ref<string | null>(null)
const chosenClass = ref('')
const preview = shallowRef<RosterAnswer | null>(null)
const busy = ref(false)
const problem = ref('')

watch(open, (is) => {
  if (!is) return
  text.value = ''
  enrollments.value = null
  preview.value = null
  problem.value = ''
})

const roster = computed(() => ({
  text: text.value,
  ...(enrollments.value === null ? {} : { enrollments: enrollments.value }),
  ...(chosenClass.value ? { class: chosenClass.value } : {}),
}))

async function look(): Promise<void> {
  problem.value = ''
  preview.value = await store.previewRoster(roster.value)
  if (!preview.value) problem.value = store.problem
}

function typed(): void {
  preview.value = null
  enrollments.value = null
}

async function files(chosen: readonly File[]): Promise<void> {
  const find = (word: string) => chosen.find((f) => f.name.toLowerCase().includes(word))
  const users = find('users') ?? chosen.find((f) => f !== find('enrollments'))
  if (!users) return
  try {
    text.value = decodeText(await users.arrayBuffer())
    const list = find('enrollments')
    enrollments.value = list ? decodeText(await list.arrayBuffer()) : null
    await look()
  } catch (error) {
    problem.value = (error as Error).message
  }
}

async function choose(name: string): Promise<void> {
  chosenClass.value = name
  await look()
}

async function add(): Promise<void> {
  busy.value = true
  const done = await store.addStudents(roster.value)
  busy.value = false
  if (done) open.value = false
  else problem.value = store.problem
}

const ready = computed(() => preview.value && preview.value.rows.length > 0 && !preview.value.problems.length)
</script>

<template>
  <AppDialog v-model="open" :title="t('class.add.title')" :width="720" data-test="add-dialog">
    <p class="soft">{{ t('class.add.about') }}</p>
    <TextArea
      v-model="text"
      :rows="7"
      :label="t('class.add.names')"
      :placeholder="t('class.add.example')"
      @input="typed"
      @keydown="keepKeys"
    />
    <p class="file">
      <FileButton
        multiple
        :text="t('class.add.file')"
        accept=".csv,.txt,text/csv,text/plain"
        test="roster-file"
        @files="files"
      />
      <span class="soft">{{ t('class.add.file.hint') }}</span>
    </p>
    <SelectField
      v-if="preview && preview.classes.length > 1"
      :model-value="chosenClass"
      :label="t('class.add.which')"
      :choices="preview.classes.map((value) => ({ value, text: value }))"
      @update:model-value="choose"
    />
    <FormProblem :text="problem" />
    <div v-if="preview" class="preview" data-test="roster-preview">
      <ul v-if="preview.problems.length" class="faults">
        <li v-for="p in preview.problems" :key="`${p.line}${p.sentence}`">
          {{ p.line ? t('class.add.line', { line: p.line, sentence: p.sentence }) : p.sentence }}
        </li>
      </ul>
      <p v-else>
        <b>{{ t('class.add.found', { n: preview.rows.length }) }}:</b>
        {{ preview.rows.map((r) => (r.signIn ? `${r.name} (${r.signIn})` : r.name)).join(', ') }}
      </p>
    </div>
    <template #acts>
      <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
      <AppButton v-if="!ready" tone="main" :disabled="!text.trim()" data-test="look-at-list" @click="look">{{
        t('class.add.check')
      }}</AppButton>
      <AppButton v-else tone="main" :busy="busy" data-test="add-them" @click="add">{{
        t('class.add.do', { n: preview!.rows.length })
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.file {
  display: flex;
  gap: var(--space-3);
  align-items: center;
}

.preview {
  max-height: 180px;
  overflow-y: auto;
}

.faults {
  margin: 0;
  color: var(--warm);
}
</style>
