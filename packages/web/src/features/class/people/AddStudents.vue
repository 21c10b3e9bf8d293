<script setup lang="ts">
/** Takes students into a class: typed or pasted, from a table, or from the two files of a OneRoster export. */
import type { KnownView, RosterAnswer } from '@rudlo/contract/people'
import type { RosterColumns } from '@rudlo/core/roster'
import { computed, ref, shallowRef, watch } from 'vue'
import AppButton from '../../../ui/buttons/AppButton.vue'
import FileButton from '../../../ui/fields/FileButton.vue'
import SelectField from '../../../ui/fields/SelectField.vue'
import TextArea from '../../../ui/fields/TextArea.vue'
import FormProblem from '../../../ui/forms/FormProblem.vue'
import { keepKeys } from '../../../ui/keys/keep-keys'
import AppDialog from '../../../ui/overlays/AppDialog.vue'
import { t } from '../../../words/t'
import { server, told } from '../../../api/client'
import { useClass } from './class-store'
import { rememberColumns, rememberedColumns } from './remembered-columns'
import RosterColumnsFold from './RosterColumnsFold.vue'
import RosterPreview from './RosterPreview.vue'
import { decodeText } from './decode-text'

const open = defineModel<boolean>({ required: true })
const store = useClass()
const text = ref('')
const enrollments = ref<string | null>(null)
const chosenClass = ref('')
const preview = shallowRef<RosterAnswer | null>(null)
const columns = shallowRef<RosterColumns | null>(null)
const same = ref<readonly number[]>([])
const leaves = ref<readonly string[]>([])
const known = shallowRef<readonly KnownView[]>([])
const chosen = ref('')
const busy = ref(false)
const problem = ref('')

watch(open, (is) => {
  if (!is) return
  text.value = ''
  enrollments.value = null
  preview.value = null
  problem.value = ''
  columns.value = null
  chosen.value = ''
  told(server.students.$get()).then(
    (all) => (known.value = all),
    () => null,
  )
})

/** Those whom the teacher knows and who are not in this class. */
const others = computed(() =>
  known.value
    .filter((k) => !k.groups.some((g) => g.id === store.group?.id))
    .map((k) => ({
      value: k.id,
      text: k.name,
      note: k.groups.map((g) => g.name).join(', ') || t('class.add.known.none'),
    })),
)
async function takeIn(): Promise<void> {
  if (await store.takeIn(chosen.value, store.group!.id)) open.value = false
  else problem.value = store.problem
}

const roster = computed(() => ({
  text: text.value,
  ...(enrollments.value === null ? {} : { enrollments: enrollments.value }),
  ...(chosenClass.value ? { class: chosenClass.value } : {}),
  ...(columns.value ? { columns: columns.value } : {}),
}))

async function look(): Promise<void> {
  problem.value = ''
  let found = await store.previewRoster(roster.value)
  const remembered = found && !columns.value ? rememberedColumns(found.header) : null
  if (remembered) {
    columns.value = remembered
    found = await store.previewRoster(roster.value)
  }
  preview.value = found
  // who has the same name is most often the same
  same.value = (found?.rows ?? []).filter((r) => r.match.kind === 'alike').map((r) => r.line)
  leaves.value = []
  if (!found) problem.value = store.problem
}

async function match(to: RosterColumns): Promise<void> {
  columns.value = to
  rememberColumns(preview.value!.header, to)
  await look()
}

function typed(): void {
  preview.value = null
  columns.value = null
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
  const done = await store.addStudents({ ...roster.value, same: same.value, takeOut: leaves.value })
  busy.value = false
  if (done) open.value = false
  else problem.value = store.problem
}

const fresh = computed(
  () =>
    preview.value?.rows.filter(
      (r) => r.match.kind === 'new' || (r.match.kind === 'alike' && !same.value.includes(r.line)),
    ).length ?? 0,
)
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
      <RosterPreview v-else v-model:same="same" v-model:leaves="leaves" :preview="preview" />
      <RosterColumnsFold
        v-if="preview.header.length"
        :key="preview.header.join()"
        :header="preview.header"
        :columns="columns ?? preview.columns"
        @change="match"
      />
    </div>
    <form v-if="others.length && !preview" class="known" @submit.prevent="takeIn">
      <SelectField v-model="chosen" :label="t('class.add.known')" :choices="others" data-test="known" />
      <AppButton type="submit" :disabled="!chosen" data-test="take-known">{{
        t('class.add.known.do')
      }}</AppButton>
    </form>
    <template #acts>
      <AppButton tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
      <AppButton v-if="!ready" tone="main" :disabled="!text.trim()" data-test="look-at-list" @click="look">{{
        t('class.add.check')
      }}</AppButton>
      <AppButton v-else tone="main" :busy="busy" data-test="add-them" @click="add">{{
        fresh === preview!.rows.length ? t('class.add.do', { n: fresh }) : t('class.add.apply')
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
  max-height: 300px;
  overflow-y: auto;
}

.faults {
  margin: 0;
  color: var(--warm);
}
.known {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: var(--space-2);
  align-items: center;
}
</style>
