<script setup lang="ts">
/** The lines of a mix as files: for a sequencer, for a spreadsheet, for programs; and tables read in again. */
import { linesFromCsv, linesFromJson, linesFromMidiFile, linesToCsv, linesToJson } from '@rudlo/core/exchange'
import { leftOutOfMidi, writeMidi } from '@rudlo/core/midi'
import type { Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { computed, ref } from 'vue'
import { saveFile } from './exporter'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import FileButton from '../../ui/fields/FileButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ song: SongVersion; mix: Mix; title: string; editable?: boolean | undefined }>()
const emit = defineEmits<{ lines: [mix: Mix, lanes: readonly string[]]; problem: [sentence: string] }>()

const fine = ref(false)
const said = ref('')
/** What a MIDI file cannot carry, said before it is made. */
const left = computed(() => leftOutOfMidi(props.song, props.mix))

const text = (words: string) => new TextEncoder().encode(words)
const midi = () =>
  saveFile(`${props.title}.mid`, 'audio/midi', new Uint8Array(writeMidi(props.song, props.mix, fine.value)))
const table = () =>
  saveFile(
    `${props.title}, ${t('files.lines').toLowerCase()}.csv`,
    'text/csv',
    text(linesToCsv(props.song, props.mix)),
  )
const json = () =>
  saveFile(
    `${props.title}, ${t('files.lines').toLowerCase()}.json`,
    'application/json',
    text(JSON.stringify(linesToJson(props.mix), null, 1)),
  )

async function readLines(file: File) {
  const { song, mix } = props
  const fresh = () => crypto.randomUUID()
  if (/\.midi?$/i.test(file.name))
    return linesFromMidiFile(song, mix, new Uint8Array(await file.arrayBuffer()), fresh)
  const words = await file.text()
  return file.name.endsWith('.json')
    ? linesFromJson(mix, words, fresh)
    : linesFromCsv(song, mix, words, fresh)
}

async function take([file]: readonly File[]): Promise<void> {
  emit('problem', '')
  said.value = ''
  if (!file) return
  try {
    const read = await readLines(file)
    emit('lines', read.mix, read.lanes)
    const lost = read.unknown.length ? t('files.lines.unknown', { n: read.unknown.length }) : ''
    said.value = [t('files.lines.taken', { n: read.lanes.length }), lost].filter(Boolean).join(' ')
  } catch (error) {
    emit('problem', (error as Error).message)
  }
}
</script>

<template>
  <li>
    <span
      ><b>{{ t('files.lines') }}</b><br /><span class="soft"
        >{{ t('files.lines.about')
        }}<template v-if="left.length">
          {{ t('files.lines.left', { lanes: left.join(', ') }) }}</template
        ></span
      >
      <CheckField v-model="fine" :label="t('files.lines.fine')" />
      <span v-if="said" role="status" data-test="lines-taken">{{ said }}</span>
    </span>
    <span class="acts">
      <AppButton small data-test="file-midi" @click="midi">{{ t('files.lines.midi') }}</AppButton>
      <AppButton small data-test="file-csv" @click="table">{{ t('files.lines.table') }}</AppButton>
      <AppButton small data-test="file-json" @click="json">{{ t('files.lines.json') }}</AppButton>
      <FileButton
        v-if="editable"
        small
        :text="t('files.lines.read')"
        accept=".csv,.json,.mid,.midi"
        test="read-lines"
        @files="take"
      />
    </span>
  </li>
</template>

<style scoped>
li {
  display: flex;
  gap: 16px;
  align-items: center;
  justify-content: space-between;
  padding: 8px 0;
}

.acts {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px;
  justify-content: end;
  max-width: 190px;
}
</style>
