<script setup lang="ts">
/** Over the desk: which view of the work is open, and the song with tasks, remarks and notes where they are. */
import { computed } from 'vue'
import { useDesk } from '../../desk/desk-store'
import { isPlaced } from '../../desk/remarks/placed'
import { useWork } from '../../document/work-store'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import { usePlayer } from '../../engine/player-store'
import { useBench } from './bench-store'
import { t } from '../../words/t'
import { useNarrow } from '../../ui/page/narrow'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'

const narrow = useNarrow()
const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()

const VIEWS = [
  { value: 'balance', text: t('bench.balance'), test: 'view-balance' },
  { value: 'lines', text: t('bench.lines'), test: 'view-lines' },
  { value: 'heard', text: t('bench.heard'), test: 'view-heard' },
] as const

const flags = computed(() => [
  ...work.notes
    .filter((n) => !n.done)
    .map((n) => ({ id: n.id, text: '♪', tick: n.tick, kind: 'note' as const })),
  ...bench.assignment!.brief.tasks.map((task, i) => ({
    id: task.id,
    text: String(i + 1),
    tick: task.from,
    kind: 'task' as const,
  })),
  ...(desk.returned?.review?.remarks ?? []).map((r, i) => ({
    id: r.id,
    text: String(i + 1),
    tick: (r.from + r.to) / 2,
    kind: 'remark' as const,
  })),
])

function flag(id: string, kind: 'task' | 'remark' | 'note'): void {
  if (kind === 'note') {
    bench.page = 'notes'
    return player.seek(work.notes.find((n) => n.id === id)?.tick ?? 0)
  }
  if (kind === 'task') return desk.chooseTask(id)
  const remark = desk.returned?.review?.remarks.find((r) => r.id === id)
  if (remark && isPlaced(remark)) desk.showRemark(remark)
}
</script>

<template>
  <div class="top" :class="{ narrow }">
    <ChoiceButtons
      v-if="!narrow"
      v-model="desk.view"
      class="views"
      :choices="VIEWS"
      :label="t('bench.view')"
    />
    <PlayedStrip
      :song="desk.song!"
      :time="desk.time!"
      :shown="desk.span"
      :marked="desk.task"
      :flags="flags"
      @flag="flag"
    />
  </div>
</template>

<style scoped>
.top {
  display: grid;
  flex: none;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 8px;
}

.narrow {
  grid-template-columns: minmax(0, 1fr);
}

.views {
  align-self: start;
}
</style>
