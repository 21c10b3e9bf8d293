<script setup lang="ts">
/** The mix as files: the mixdown, every track by itself, or everything in one bundle. */
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { ref, watch } from 'vue'
import LineFiles from './LineFiles.vue'
import { saveFile, startExport, type Export } from './exporter'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'
import FormProblem from '../../ui/forms/FormProblem.vue'
import { t } from '../../words/t'

const props = defineProps<{
  song: SongVersion
  mix: Mix
  /** What the files are called. */
  title: string
  /** Where the bundle is fetched from. */
  bundle: string
  /** Done before the bundle is fetched; false where it could not be. */
  before?: () => Promise<boolean>
  /** Whether lines can be read in again. */
  editable?: boolean
}>()
const emit = defineEmits<{
  /** Lines were read from a file: the mix with them, and the lanes that they are on. */
  lines: [mix: Mix, lanes: readonly string[]]
}>()
const open = defineModel<boolean>({ required: true })

const running = ref<{ what: string; share: number; slow: boolean } | null>(null)
const problem = ref('')
let job: Export | null = null

async function make(what: 'mixdown' | 'stems'): Promise<void> {
  problem.value = ''
  const mine = { what, share: 0, slow: false }
  running.value = mine
  const slow = setTimeout(() => running.value && (running.value = { ...running.value, slow: true }), 300)
  try {
    job = startExport({ what, song: props.song, mix: props.mix }, (share) => {
      if (running.value) running.value = { ...running.value, share }
    })
    const file = await job.done
    if (what === 'mixdown') saveFile(`${props.title}.wav`, 'audio/wav', file)
    else saveFile(`${props.title}, tracks.zip`, 'application/zip', file)
  } catch (error) {
    problem.value = (error as Error).message
  }
  clearTimeout(slow)
  running.value = null
}

function stop(): void {
  job?.stop()
  job = null
  running.value = null
}

async function fetchBundle(): Promise<void> {
  problem.value = ''
  if (props.before && !(await props.before())) {
    problem.value = t('files.unsaved')
    return
  }
  const link = Object.assign(document.createElement('a'), { href: props.bundle, download: '' })
  link.click()
}

watch(open, (is) => is || stop())
</script>

<template>
  <AppDialog v-model="open" :title="t('files.title')" :width="560">
    <ul class="plain-list">
      <li>
        <span><b>{{ t('files.mix') }}</b><br /><span class="soft">{{ t('files.mix.about') }}</span></span>
        <AppButton small :disabled="running !== null" data-test="file-mixdown" @click="make('mixdown')">
          {{ t('files.mix.save') }}
        </AppButton>
      </li>
      <li>
        <span
          ><b>{{ t('files.tracks') }}</b><br /><span class="soft">{{ t('files.tracks.about') }}</span></span
        >
        <AppButton small :disabled="running !== null" data-test="file-stems" @click="make('stems')">
          {{ t('files.tracks.save') }}
        </AppButton>
      </li>
      <li>
        <span
          ><b>{{ t('files.bundle') }}</b><br /><span class="soft">{{ t('files.bundle.about') }}</span></span
        >
        <AppButton small :disabled="running !== null" data-test="file-bundle" @click="fetchBundle">
          {{ t('files.bundle.save') }}
        </AppButton>
      </li>
      <LineFiles
        :song="song"
        :mix="mix"
        :title="title"
        :editable="editable"
        @lines="(m, l) => emit('lines', m, l)"
        @problem="(p) => (problem = p)"
      />
    </ul>
    <div v-if="running?.slow" class="running" role="status">
      <v-progress-linear :model-value="running.share * 100" height="8" rounded color="primary" />
      <span>{{ Math.round(running.share * 100) }} %</span>
      <AppButton small data-test="file-stop" @click="stop">{{ t('files.stop') }}</AppButton>
    </div>
    <FormProblem :text="problem" />
    <template #acts><AppButton tone="quiet" @click="open = false">{{ t('ui.close') }}</AppButton></template>
  </AppDialog>
</template>

<style scoped>
li {
  display: flex;
  gap: 24px;
  align-items: center;
  justify-content: space-between;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
}

.running {
  display: grid;
  grid-template-columns: 1fr 48px auto;
  gap: 12px;
  align-items: center;
}
</style>
