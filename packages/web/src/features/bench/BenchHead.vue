<script setup lang="ts">
/** The head of the bench: whether it is saved, tries, undo, history, files, and handing in. */
import type { Mix } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useSession } from '../../api/session-store'
import { useDesk } from '../../desk/desk-store'
import FilesDialog from '../../desk/files/FilesDialog.vue'
import { useWork } from '../../document/work-store'
import { useNarrow } from '../../ui/page/narrow'
import AppHeader from '../../shell/AppHeader.vue'
import { useBench } from './bench-store'
import HandInDialog from './HandInDialog.vue'
import HistoryMenu from './HistoryMenu.vue'
import ModelButtons from './ModelButtons.vue'
import SaveSign from './SaveSign.vue'
import TriesMenu from './TriesMenu.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

const props = defineProps<{
  assignment: string
  /** Whether the work is there. */
  ready: boolean
}>()

const narrow = useNarrow()
const bench = useBench()
const desk = useDesk()
const work = useWork()
const session = useSession()
const handing = ref(false)
const looking = ref(false)
const files = ref(false)

/** The newest version in a few words. */
const version = computed(() => {
  const { newest } = desk
  if (!newest) return ''
  const name = t('bench.version', { number: newest.number })
  if (newest.state === 'given back')
    return newest.outcome === 'accepted' ? t('bench.accepted', { name }) : t('bench.came-back', { name })
  return newest.measurement ? t('bench.handed-in', { name }) : t('bench.measuring', { name })
})

/** What the files are made of: while they are not asked for, the page need not follow the work. */
const filed = computed<Mix>((before) => (files.value || !before ? work.mix! : before))

/** Lines that were read from a file become one step. */
function takeLines(mix: Mix, lanes: readonly string[]): void {
  const change = { label: t('bench.did.lines'), lanes: [...lanes], from: 0, to: desk.song!.length }
  work.setMix(() => mix, change)
}

function showHandIn(look: boolean): void {
  looking.value = look
  handing.value = true
}
</script>

<template>
  <AppHeader compact :before="bench.assignment?.group" :title="bench.assignment?.title">
    <template v-if="props.ready">
      <SaveSign />
      <template v-if="!narrow">
        <TriesMenu @hand-in="showHandIn(false)" />
        <IconButton icon="undo" :label="t('bench.undo')" :disabled="!work.canUndo" @click="work.undo()" />
        <IconButton icon="redo" :label="t('bench.redo')" :disabled="!work.canRedo" @click="work.redo()" />
        <HistoryMenu />
        <IconButton icon="files" :label="t('files.title')" data-test="files" @click="files = true" />
      </template>
      <AppButton v-if="version && !narrow" small data-test="version" @click="showHandIn(true)">
        {{ version }}
      </AppButton>
      <ModelButtons v-if="session.person?.role === 'teacher' && !narrow" :assignment="props.assignment" />
      <AppButton v-else-if="!narrow" tone="main" data-test="hand-in" @click="showHandIn(false)">{{
        t('bench.hand-in')
      }}</AppButton>
    </template>
  </AppHeader>
  <template v-if="props.ready">
    <HandInDialog v-model="handing" :look="looking" />
    <FilesDialog
      v-model="files"
      :song="desk.song!"
      :mix="filed"
      :title="bench.assignment!.title"
      :bundle="`/api/works/${work.id}/bundle`"
      :before="work.flush"
      editable
      @lines="takeLines"
    />
  </template>
</template>
