<script setup lang="ts">
/** The student's working screen for one assignment. */
import type { Mix } from '@rudlo/core/mix'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { usePlayer } from '../../engine/player-store'
import { useSession } from '../../api/session-store'
import AppHeader from '../../shell/AppHeader.vue'
import KeysDialog from '../../ui/KeysDialog.vue'
import FilesDialog from '../../desk/files/FilesDialog.vue'
import ControlMenu from '../../desk/mixer/ControlMenu.vue'
import BalanceView from '../../desk/mixer/BalanceView.vue'
import WhyPanel from '../../desk/mixer/WhyPanel.vue'
import NoticeBar from '../../ui/NoticeBar.vue'
import { usePageKeys } from '../../ui/page-keys'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'
import BriefPanel from './BriefPanel.vue'
import DeskCards from '../../desk/lanes/DeskCards.vue'
import DeskTools from '../../desk/lanes/DeskTools.vue'
import HistoryMenu from './HistoryMenu.vue'
import HandInDialog from './HandInDialog.vue'
import { BENCH_KEYS } from './keys'
import LaneDesk from '../../desk/lanes/LaneDesk.vue'
import ModelButtons from './ModelButtons.vue'
import { usePresence } from './presence-store'
import { useLive } from '../../api/live-store'
import { usePass } from '../../desk/pass/pass-store'
import { isPlaced } from '../../desk/remarks/placed'
import LeaveQuestion from '../../desk/pass/LeaveQuestion.vue'
import PassMenu from '../../desk/pass/PassMenu.vue'
import PassSummary from '../../desk/pass/PassSummary.vue'
import RigPanel from '../../desk/surface/RigPanel.vue'
import { useSurface } from '../../desk/surface/surface-store'
import SaveSign from './SaveSign.vue'
import TriesMenu from './TriesMenu.vue'

const props = defineProps<{ assignment: string }>()

const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()
const session = useSession()
const pass = usePass()
const surface = useSurface()
const presence = usePresence()
const problem = ref('')
const briefOpen = ref(true)
const handing = ref(false)
const looking = ref(false)
const keys = ref(false)
const files = ref(false)
const leaving = ref<InstanceType<typeof LeaveQuestion> | null>(null)

const VIEWS = [
  ['balance', 'Balance'],
  ['lines', 'Lines'],
] as const

const ready = computed(() => bench.assignment?.id === work.assignment && work.mix !== null)

async function open(): Promise<void> {
  problem.value = ''
  try {
    await Promise.all([
      bench.open(props.assignment).then(() => player.prepare(desk.song!)),
      work.open(props.assignment, session.person!.id),
    ])
    void player.open(desk.song!, work.mix!)
  } catch (error) {
    problem.value = (error as Error).message
  }
}

watch(() => props.assignment, open, { immediate: true })

if (session.person?.role === 'student')
  presence.tell(
    () => (ready.value ? { assignment: props.assignment, task: desk.taskId ?? '' } : null),
    () => work.document,
  )

// what the teacher gives back, says or takes back is here without looking for it
useLive().listen(({ kind, data }) => {
  if (kind === 'helped') presence.help = false
  if (data.assignment !== props.assignment || work.assignment !== props.assignment) return
  if (kind === 'point') {
    const { lane = null, from = 0, to = 0 } = data
    desk.lightUp({ lane, from, to })
    if (data.own) presence.help = false
    work.notice = 'Your teacher points at this place.'
    return
  }
  void work.refreshVersions().catch(() => null)
  if (kind === 'given back') work.notice = 'Your version came back: see what was said.'
  if (kind === 'reply') work.notice = 'There is an answer to a remark.'
})
onBeforeRouteLeave(() => (pass.active ? leaving.value?.ask() : true))
onBeforeUnmount(() => {
  surface.disconnect()
  pass.reset()
  // at once: whatever is opened next must not be closed by what is left
  void player.close()
  void work.leave()
})

/** The newest version in a few words, for the head of the page. */
const version = computed(() => {
  const { newest } = desk
  if (!newest) return ''
  if (newest.state === 'given back') {
    return newest.outcome === 'accepted'
      ? `Version ${newest.number} accepted`
      : `Version ${newest.number} came back`
  }
  return newest.measurement
    ? `Version ${newest.number} is handed in`
    : `Version ${newest.number} is being measured`
})

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

/** Lines that were read from a file become one step. */
/** What the files are made of: while they are not asked for, the page need not follow the work. */
const filed = computed<Mix>((before) => (files.value || !before ? work.mix! : before))

function takeLines(mix: Mix, lanes: readonly string[]): void {
  const change = { label: 'Took lines from a file', lanes: [...lanes], from: 0, to: desk.song!.length }
  work.setMix(() => mix, change)
}

function showHandIn(look: boolean): void {
  looking.value = look
  handing.value = true
}

usePageKeys({
  ' ': () => player.toggle(),
  o: () => player.setLoop(player.loop, !player.looping),
  v: () => player.setMoves(!player.moves),
  w: () => (desk.view = desk.view === 'lines' ? 'balance' : 'lines'),
  n: () => {
    briefOpen.value = true
    bench.dropNote()
  },
  '1': () => (desk.hand = 'points'),
  '2': () => (desk.hand = 'bars'),
  '3': () => (desk.hand = 'freehand'),
  '4': () => (desk.hand = 'cells'),
  b: () => (briefOpen.value = !briefOpen.value),
  g: () => {
    const stretch = (desk.view === 'lines' && desk.selection) || desk.task
    if (stretch) player.playLoop(stretch)
  },
  'Ctrl+z': () => work.undo(),
  'Ctrl+y': () => work.redo(),
  'Ctrl+Shift+z': () => work.redo(),
  '?': () => (keys.value = true),
})
</script>

<template>
  <div class="bench">
    <AppHeader :before="bench.assignment?.group" :title="bench.assignment?.title">
      <template v-if="ready">
        <SaveSign />
        <TriesMenu @hand-in="showHandIn(false)" />
        <v-btn
          variant="text"
          icon="$undo"
          size="small"
          aria-label="Undo"
          :disabled="!work.canUndo"
          @click="work.undo()"
        />
        <v-btn
          variant="text"
          icon="$redo"
          size="small"
          aria-label="Redo"
          :disabled="!work.canRedo"
          @click="work.redo()"
        />
        <HistoryMenu />
        <v-btn
          variant="text"
          icon="$files"
          size="small"
          aria-label="Take it with you"
          title="Take it with you: mix, tracks, bundle"
          data-test="files"
          @click="files = true"
        />
        <button v-if="version" class="chip" data-test="version" @click="showHandIn(true)">
          {{ version }}
        </button>
        <ModelButtons v-if="session.person?.role === 'teacher'" :assignment="assignment" />
        <v-btn v-else color="primary" variant="flat" data-test="hand-in" @click="showHandIn(false)"
          >Hand in</v-btn
        >
      </template>
    </AppHeader>

    <main v-if="problem" class="lost">
      <p role="alert">{{ problem }}</p>
      <v-btn @click="open">Try again</v-btn>
    </main>
    <main v-else-if="!ready" class="lost"><v-progress-circular indeterminate /></main>
    <template v-else>
      <div class="room" :class="{ folded: !briefOpen }">
        <aside>
          <BriefPanel v-show="briefOpen" />
          <button
            class="fold"
            :aria-label="briefOpen ? 'Fold the brief away (B)' : 'Show the brief (B)'"
            @click="briefOpen = !briefOpen"
          >
            <v-icon :icon="briefOpen ? '$previous' : '$following'" size="20" />
          </button>
        </aside>
        <main class="middle">
          <div class="top">
            <div class="views" role="radiogroup" aria-label="View">
              <button
                v-for="[key, text] in VIEWS"
                :key="key"
                class="view"
                role="radio"
                :aria-checked="desk.view === key"
                :data-test="`view-${key}`"
                @click="desk.view = key"
              >
                {{ text }}
              </button>
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
          <BalanceView v-if="desk.view === 'balance'" />
          <template v-else>
            <LaneDesk />
            <PassSummary />
            <DeskCards />
          </template>
        </main>
      </div>
      <TransportBar :time="desk.time!" @keys="keys = true"
        ><PassMenu /><DeskTools v-if="desk.view === 'lines'"
      /></TransportBar>
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
      <LeaveQuestion ref="leaving" />
      <ControlMenu />
      <RigPanel
        v-if="surface.rig === 'panel'"
        @close="surface.disconnect()"
        @window="surface.openRig('window')"
      />
      <WhyPanel v-if="desk.asked" />
      <NoticeBar v-model="work.notice" />
      <v-dialog aria-label="Open in another window" :model-value="work.elsewhere" persistent>
        <div class="sheet elsewhere" role="alertdialog" aria-label="Open in another window">
          <h2>This work is open in another window</h2>
          <p>So that nothing gets mixed up, only one window can change it. What was done here is saved.</p>
          <v-btn color="primary" variant="flat" data-test="work-here" @click="work.workHere()"
            >Work here instead</v-btn
          >
        </div>
      </v-dialog>
    </template>
    <KeysDialog v-model="keys" :groups="BENCH_KEYS" />
  </div>
</template>

<style scoped>
.bench {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
  min-height: 560px;
}

.room {
  display: grid;
  flex: 1;
  grid-template-columns: 276px minmax(0, 1fr);
  min-height: 0;
}

.room.folded {
  grid-template-columns: 32px minmax(0, 1fr);
}

aside {
  position: relative;
  min-height: 0;
  border-right: 1px solid var(--rule);
  background: var(--sheet);
}

aside > :first-child {
  height: 100%;
  overflow-y: auto;
}

.fold {
  position: absolute;
  right: 0;
  bottom: 0;
  width: 32px;
  height: 32px;
  border: 0;
  background: var(--sheet);
  color: var(--soft);
  cursor: pointer;
}

.folded .fold {
  inset: 0;
  height: 100%;
}

.middle {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
  min-height: 0;
  padding: 10px 14px;
}

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

.lost,
.elsewhere {
  display: grid;
  gap: 16px;
  justify-items: center;
  place-content: center;
  flex: 1;
  padding: 26px;
}

.elsewhere {
  justify-items: start;
}

@media (max-width: 1100px) {
  .room {
    grid-template-columns: 220px minmax(0, 1fr);
  }
}
</style>
