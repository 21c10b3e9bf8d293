<script setup lang="ts">
/** Over the desk: which view of the work is open, and the song with tasks, remarks and notes where they are. */
import { computed } from 'vue'
import { useDesk } from '../../desk/desk-store'
import { isPlaced } from '../../desk/remarks/placed'
import { useWork } from '../../document/work-store'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import { usePlayer } from '../../engine/player-store'
import { useBench } from './bench-store'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()

const VIEWS = [
  ['balance', t('bench.balance')],
  ['lines', t('bench.lines')],
] as const

const flags = computed(() => [
  ...work.notes
    .filter((n) => !n.done)
    .map((n) => ({ id: n.id, text: '♪', tick: n.tick, kind: 'note' as const })),
  ...bench.assignment!.brief.tasks.map((t, i) => ({
    id: t.id,
    text: String(i + 1),
    tick: t.from,
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
  <div class="top">
    <div class="views" role="radiogroup" :aria-label="t('bench.view')">
      <RowButton
        v-for="[key, text] in VIEWS"
        :key="key"
        class="view"
        role="radio"
        :aria-checked="desk.view === key"
        :data-test="`view-${key}`"
        @click="desk.view = key"
      >
        {{ text }}
      </RowButton>
    </div>
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
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 8px;
}

.views {
  display: grid;
  gap: 4px;
}

.view {
  min-height: 30px;
  border: 1px solid var(--rule);
  border-radius: 9px;
  background: var(--sheet);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  font-weight: 600;
  cursor: pointer;
}

.view[aria-checked='true'] {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--sheet);
}
</style>
