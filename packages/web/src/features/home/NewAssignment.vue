<script setup lang="ts">
/** A new assignment on a short path: a song with its picture, what it starts from, for whom and when. It is a draft first. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { GroupCard } from '@rudlo/contract/people'
import type { SongEntry } from '@rudlo/contract/songbook'
import { LESSONS, type BriefDifference } from '@rudlo/core/brief'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../api/client'
import SongPicture from '../../charts/SongPicture.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import MomentField from '../../ui/fields/MomentField.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { attempt } from '../../ui/forms/attempt'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { useForm } from '../../ui/forms/use-form'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import { lengthText } from '../../words/dates'
import { t } from '../../words/t'
import { beginning, copyOnSong, type Source } from '../../desk/term/beginning'
import DifferenceList from './DifferenceList.vue'

const props = defineProps<{ cards: readonly AssignmentCard[] }>()
const open = defineModel<boolean>({ required: true })
const router = useRouter()

const step = ref<1 | 2 | 3>(1)
const songs = shallowRef<readonly SongEntry[]>([])
const groups = shallowRef<readonly GroupCard[]>([])
const search = ref('')
const song = ref('')
const source = ref<Source>('template')
const lesson = ref(0)
const copy = ref('')
/** Whether the copy goes on the song that was chosen. */
const onSong = ref(false)
const differences = shallowRef<readonly BriefDifference[]>([])
const title = ref('')
const group = ref('')
const dueAt = ref<string | null>(null)
const loading = ref(true)

const shownSongs = computed(() =>
  songs.value.filter((s) => !s.archived && s.title.toLowerCase().includes(search.value.trim().toLowerCase())),
)
const sources = computed(() =>
  (['template', 'copy', 'model', 'empty'] as const)
    .filter((value) => value !== 'copy' || props.cards.length)
    .map((value) => ({
      value,
      text: t(`new.from.${value}`),
      about: t(`new.from.${value}.about`),
      test: `from-${value}`,
    })),
)
const lessons = LESSONS.map(({ name }, value) => ({ value, text: name }))
const copies = computed(() => props.cards.map((c) => ({ value: c.id, text: c.title, note: c.group })))
const classes = computed(() =>
  groups.value.map((g) => ({
    value: g.id,
    text: t('new.class.entry', { name: g.name, n: Number(g.students) }),
  })),
)
const facts = (s: SongEntry) =>
  t('new.song-facts', { length: lengthText(s.seconds), bpm: s.bpm, meter: s.meter, n: s.tracks })
const copied = computed(() => props.cards.find((c) => c.id === copy.value))

const { busy, problem, fault, submit } = useForm(
  () => import('@rudlo/contract/assignments').then((m) => m.NewAssignment),
  async (json) => {
    const { id } = await told(server.assignments.$post({ json }))
    await router.push(source.value === 'model' ? `/bench/${id}` : `/brief/${id}`)
  },
)

watch(
  open,
  async (is) => {
    if (!is) return
    step.value = 1
    problem.value = ''
    loading.value = true
    await attempt(
      async () => {
        ;[songs.value, groups.value] = await Promise.all([
          told(server.songs.$get()),
          told(server.groups.$get()),
        ])
        song.value ||= shownSongs.value[0]?.id ?? ''
        group.value ||= groups.value[0]?.id ?? ''
        copy.value ||= props.cards[0]?.id ?? ''
      },
      (sentence) => (problem.value = sentence),
    )
    loading.value = false
  },
  { immediate: true },
)

const usualTitle = () =>
  source.value === 'copy' && copied.value
    ? t('new.copy-name', { title: copied.value.title })
    : t('new.usual-name')

const create = () =>
  submit(async () => ({
    ...(await begun()),
    title: title.value.trim() || usualTitle(),
    group: group.value,
    modelHeard: 'given back',
    draft: true,
    opensAt: null,
    dueAt: dueAt.value,
    handInLimit: null,
  }))

/** The chosen song is not the one of the assignment that is copied. */
const isOther = computed(
  () => source.value === 'copy' && copied.value?.song !== songs.value.find((s) => s.id === song.value)?.title,
)
async function begun() {
  const { songVersion, startingMix, brief, model } = await beginning({
    source: source.value,
    song: song.value,
    lesson: lesson.value,
    copy: copy.value,
    onSong: isOther.value && onSong.value,
  })
  return { songVersion, startingMix, brief, model }
}
watch([onSong, copy, song, isOther], async ([on, from, to, other]) => {
  differences.value = []
  if (!on || !other) return
  await attempt(
    async () => void (differences.value = (await copyOnSong(from, to)).differences),
    (sentence) => (problem.value = sentence),
  )
})

const STEPS = { 1: t('new.step.song'), 2: t('new.step.start'), 3: t('new.step.who') } as const
</script>

<template>
  <AppDialog v-model="open" :title="t('new.title')" :width="760" data-test="new-dialog">
    <ol class="path">
      <li v-for="(text, i) in STEPS" :key="i" :aria-current="Number(i) === step ? 'step' : undefined">
        <b>{{ i }}</b> {{ text }}
      </li>
    </ol>

    <template v-if="step === 1">
      <TextField
        v-if="songs.length > 6"
        v-model="search"
        compact
        :label="t('new.search')"
        @keydown="keepKeys"
      />
      <p v-if="!songs.length && !loading" class="soft">
        {{ t('new.no-songs') }} <AppButton small to="/song/new">{{ t('new.add-song') }}</AppButton>
      </p>
      <div class="songs" role="radiogroup" :aria-label="t('new.step.song')">
        <RowButton
          v-for="s in shownSongs"
          :key="s.id"
          class="song"
          role="radio"
          :aria-checked="s.id === song"
          data-test="new-song"
          @click="song = s.id"
        >
          <b>{{ s.title }}</b>
          <span class="soft">{{ facts(s) }}</span>
          <SongPicture :picture="s.picture" :sections="s.sections" :label="s.title" />
        </RowButton>
      </div>
    </template>

    <template v-else-if="step === 2">
      <RadioList v-model="source" :label="t('new.step.start')" :choices="sources" />
      <SelectField
        v-if="source === 'template'"
        v-model="lesson"
        :label="t('new.template')"
        :choices="lessons"
        data-test="new-lesson"
      />
      <SelectField
        v-if="source === 'copy'"
        v-model="copy"
        :label="t('new.copy')"
        :choices="copies"
        data-test="new-copy"
      />
      <template v-if="isOther">
        <CheckField v-model="onSong" :label="t('new.on-song')" data-test="on-song" />
        <DifferenceList v-if="onSong" :differences="differences" />
      </template>
    </template>

    <template v-else>
      <TextField
        v-model="title"
        :label="t('new.name')"
        :hint="t('new.name.hint')"
        data-test="new-name"
        :fault="fault('title')"
        @keydown="keepKeys"
      />
      <p v-if="!groups.length" class="soft">{{ t('new.no-class') }}</p>
      <SelectField
        v-else
        v-model="group"
        :label="t('new.class')"
        :choices="classes"
        :compact="false"
        data-test="new-group"
      />
      <MomentField v-model="dueAt" :label="t('new.due')" :fault="fault('dueAt')" />
      <p class="soft">{{ t('new.note') }}</p>
    </template>
    <FormProblem :text="problem" />

    <template #acts>
      <AppButton v-if="step > 1" tone="quiet" @click="step--">{{ t('ui.back') }}</AppButton>
      <AppButton v-else tone="quiet" @click="open = false">{{ t('ui.cancel') }}</AppButton>
      <AppButton v-if="step < 3" tone="main" :disabled="!song" data-test="new-next" @click="step++">{{
        t('new.next')
      }}</AppButton>
      <AppButton v-else tone="main" :busy="busy" :disabled="!group" data-test="create" @click="create">{{
        t('new.create')
      }}</AppButton>
    </template>
  </AppDialog>
</template>

<style scoped>
.path {
  display: flex;
  gap: var(--space-5);
  margin: 0;
  padding: 0 0 var(--space-2);
  border-bottom: 1px solid var(--rule);
  color: var(--soft);
  list-style: none;
}

.path [aria-current] {
  color: var(--ink);
  font-weight: 640;
}

.songs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--space-3);
}

.song {
  display: grid;
  gap: 2px;
  padding: var(--space-3);
  border: 2px solid var(--rule);
  border-radius: var(--radius-m);
}

.song[aria-checked='true'] {
  border-color: var(--ink);
  background: var(--wash);
}
</style>
