<script setup lang="ts">
/** A new assignment: song, group and title; it is a draft until it is given out. */
import { LESSONS } from '@rudlo/core/brief'
import { plainMix } from '@rudlo/core/mix'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { useForm } from '../../ui/forms/use-form'
import type { AssignmentCard } from '@rudlo/contract/assignments'
import { useBroughtMix } from '../../document/brought-mix'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ cards: readonly AssignmentCard[] }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()

const songs = ref<readonly { id: string; title: string }[]>([])
const groups = ref<readonly { id: string; name: string; students: number }[]>([])
const song = ref('')
const group = ref('')
const title = ref('')
const copy = ref('')
const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/assignments').then((m) => m.NewAssignment),
  async (json) => {
    const { id } = await told(server.assignments.$post({ json }))
    await router.push(`/brief/${id}`)
  },
)
const copied = computed(() => props.cards.find((c) => c.id === copy.value))

async function look(is: boolean): Promise<void> {
  if (!is) return
  problem.value = ''
  await attempt(
    async () => {
      ;[songs.value, groups.value] = await Promise.all([
        told(server.songs.$get()),
        told(server.groups.$get()),
      ])
      song.value ||= songs.value[0]?.id ?? ''
      group.value ||= groups.value[0]?.id ?? ''
    },
    (sentence) => (problem.value = sentence),
  )
}
watch(open, look, { immediate: true })

/** What it begins with: another assignment's song, mix and brief, or a song as it was recorded and one usual lesson. */
async function beginning() {
  if (copied.value) {
    const from = await told(
      server.assignments[':assignment'].$get({ param: { assignment: copied.value.id } }),
    )
    const { model } = from.hasModel
      ? await told(server.assignments[':assignment'].model.$get({ param: { assignment: from.id } })).then(
          (m) => ({ model: m.mix }),
        )
      : { model: null }
    return { songVersion: from.songVersion, startingMix: from.startingMix, brief: from.brief, model }
  }
  const { document } = await told(server.songs[':version'].$get({ param: { version: song.value } }))
  // lines that came along with the notes of a song are where it begins
  const { offered } = useBroughtMix()
  const mix = offered?.version === song.value ? offered.mix : plainMix(document)
  const task = LESSONS[0]!.make(document, mix, () => crypto.randomUUID())
  const brief = { purpose: '', open: [], answers: 'played', hintsAfter: 1, repairs: true, tasks: [task] }
  return { songVersion: song.value, startingMix: mix, brief, model: null }
}

const create = () =>
  submit(async () => ({
    ...(await beginning()),
    title: title.value.trim() || (copied.value ? `${copied.value.title} (copy)` : 'New assignment'),
    group: group.value,
    modelHeard: 'given back',
    draft: true,
    opensAt: null,
    dueAt: null,
    handInLimit: null,
  }))
</script>

<template>
  <v-dialog v-model="open" aria-label="A new assignment" max-width="520">
    <div class="sheet new form">
      <h2 id="new-title">A new assignment</h2>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <v-text-field
        v-model="title"
        label="Title"
        placeholder="Make room for the tune"
        data-test="new-name"
        :error-messages="fault('title')"
        @keydown="keepKeys"
      />
      <label
        >For
        <select v-model="group" data-test="new-group">
          <option v-for="g in groups" :key="g.id" :value="g.id">
            {{ g.name }} ({{ g.students }} {{ Number(g.students) === 1 ? 'student' : 'students' }})
          </option>
        </select></label
      >
      <label
        >Begin with
        <select v-model="copy">
          <option value="">a song, as it was recorded</option>
          <option v-for="c in cards" :key="c.id" :value="c.id">a copy of “{{ c.title }}”</option>
        </select></label
      >
      <label v-if="!copy"
        >Song
        <select v-model="song" data-test="new-song">
          <option v-for="s in songs" :key="s.id" :value="s.id">{{ s.title }}</option>
        </select></label
      >
      <p class="soft">It is a draft first: nobody but you sees it until you give it out.</p>
      <div class="row">
        <AppButton tone="quiet" @click="open = false">Cancel</AppButton>
        <AppButton tone="main"
          :busy="busy"
          :disabled="!group || (!song && !copy)"
          data-test="create"
          @click="create"
          >Write the brief</AppButton>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.new {
  display: grid;
  gap: 12px;
  padding: 24px;
}

label {
  display: grid;
  gap: 3px;
}

.row {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
