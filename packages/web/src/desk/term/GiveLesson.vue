<script setup lang="ts">
/** A usual lesson, fitted to a song and given to a class: song and date are proposed, one press gives it out. */
import type { SongEntry } from '@rudlo/contract/songbook'
import { LESSONS } from '@rudlo/core/brief'
import type { LessonKey } from '@rudlo/core/term'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../api/client'
import { now } from '../../browser/clock'
import AppButton from '../../ui/buttons/AppButton.vue'
import MomentField from '../../ui/fields/MomentField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextField from '../../ui/fields/TextField.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useForm } from '../../ui/forms/use-form'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import { t } from '../../words/t'
import { beginning } from './beginning'

const props = defineProps<{ lesson: LessonKey; group: string }>()
const open = defineModel<boolean>({ required: true })

const router = useRouter()
const songs = shallowRef<readonly SongEntry[]>([])
const song = ref('')
const title = ref('')
const dueAt = ref<string | null>(null)
const index = computed(() => LESSONS.findIndex((l) => l.key === props.lesson))
const choices = computed(() => songs.value.map((s) => ({ value: s.id, text: s.title })))
const WEEK = 7 * 24 * 3_600_000
/** A draft is looked over first; the other way the class has it at once. */
const draft = ref(false)

const { busy, problem, submit } = useForm(
  () => import('@rudlo/contract/assignments').then((m) => m.NewAssignment),
  async (json) => {
    const { id } = await told(server.assignments.$post({ json }))
    await router.push(`/brief/${id}`)
  },
)

watch(
  [open, () => props.lesson],
  async ([is]) => {
    if (!is) return
    problem.value = ''
    title.value = LESSONS[index.value]?.name ?? ''
    const due = new Date(now().getTime() + WEEK)
    due.setHours(18, 0, 0, 0)
    dueAt.value = due.toISOString()
    try {
      songs.value = (await told(server.songs.$get())).filter((s) => !s.archived)
      // what was not given yet comes first
      song.value = [...songs.value].sort((a, b) => a.usedIn.length - b.usedIn.length)[0]?.id ?? ''
    } catch (error) {
      problem.value = (error as Error).message
    }
  },
  { immediate: true },
)

function give(asDraft: boolean): Promise<unknown> {
  draft.value = asDraft
  return submit(async () => ({
    ...(await beginning({ source: 'template', song: song.value, lesson: index.value, copy: '' })),
    title: title.value.trim() || t('new.usual-name'),
    group: props.group,
    modelHeard: 'given back',
    draft: asDraft,
    opensAt: null,
    dueAt: dueAt.value,
    handInLimit: null,
  }))
}
</script>

<template>
  <AppDialog v-model="open" :title="t('give.title')">
    <p class="soft">{{ t('give.about') }}</p>
    <TextField v-model="title" :label="t('new.name')" data-test="give-title" />
    <SelectField
      v-model="song"
      :label="t('give.song')"
      :choices="choices"
      :compact="false"
      data-test="give-song"
    />
    <MomentField v-model="dueAt" :label="t('new.due')" />
    <FormProblem :text="problem" />
    <template #acts>
      <AppButton :busy="busy && draft" :disabled="busy || !song" @click="give(true)">{{
        t('give.draft')
      }}</AppButton>
      <AppButton
        tone="main"
        :busy="busy && !draft"
        :disabled="busy || !song"
        data-test="give-now"
        @click="give(false)"
        >{{ t('give.now') }}</AppButton
      >
    </template>
  </AppDialog>
</template>
