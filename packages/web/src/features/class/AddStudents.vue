<script setup lang="ts">
/** Takes students into a group: typed or pasted, from a table, or from the two files of a OneRoster export. */
import { computed, ref, shallowRef, watch } from 'vue'
import { decodeText } from './decode-text'
import type { RosterAnswer } from '@rudlo/contract/people'
import { useClass } from './class-store'
import AppButton from '../../ui/buttons/AppButton.vue'

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

async function files(event: Event): Promise<void> {
  const chosen = [...((event.target as HTMLInputElement).files ?? [])]
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
  <v-dialog v-model="open" aria-label="Add students" max-width="720">
    <div class="sheet form add" data-test="add-dialog">
      <h2>Add students</h2>
      <p class="soft">
        One name a line, or a table with a header (name, or first name and last name; sign-in name if you want
        to choose it). Nobody is added before you have seen the list.
      </p>
      <textarea
        v-model="text"
        rows="8"
        aria-label="Names"
        placeholder="Ines Varga&#10;Tobin Achterberg"
        @input="((preview = null), (enrollments = null))"
      />
      <label class="file">
        <span
          >From a file: a table as CSV, or <i>users.csv</i> and <i>enrollments.csv</i> of a OneRoster export
          together</span
        >
        <input
          type="file"
          multiple
          accept=".csv,.txt,text/csv,text/plain"
          data-test="roster-file"
          @change="files"
        />
      </label>
      <label v-if="preview && preview.classes.length > 1">
        Which class
        <select v-model="chosenClass" @change="look">
          <option value="" disabled>choose</option>
          <option v-for="c in preview.classes" :key="c" :value="c">{{ c }}</option>
        </select>
      </label>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <div v-if="preview" class="preview" data-test="roster-preview">
        <ul v-if="preview.problems.length" class="problem">
          <li v-for="p in preview.problems" :key="`${p.line}${p.sentence}`">
            <b v-if="p.line">Line {{ p.line }}: </b>{{ p.sentence }}
          </li>
        </ul>
        <p v-else>
          <b>{{ preview.rows.length }} students:</b>
          {{ preview.rows.map((r) => (r.signIn ? `${r.name} (${r.signIn})` : r.name)).join(', ') }}
        </p>
      </div>
      <div class="row">
        <AppButton tone="quiet" @click="open = false">Leave it</AppButton>
        <AppButton tone="main"
          v-if="!ready"
          :disabled="!text.trim()"
          data-test="look-at-list"
          @click="look"
        >
          Look at the list
        </AppButton>
        <AppButton tone="main" v-else :busy="busy" data-test="add-them" @click="add">
          Add {{ preview!.rows.length }}
        </AppButton>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.add {
  display: grid;
  gap: 12px;
  padding: 22px 26px;
}

textarea {
  width: 100%;
}

.file {
  display: grid;
  gap: 4px;
  font-size: 14px;
}

.preview {
  max-height: 180px;
  overflow-y: auto;
}

.problem {
  margin: 0;
  color: var(--warm);
}

.row {
  display: flex;
  gap: 8px;
  justify-content: end;
}
</style>
