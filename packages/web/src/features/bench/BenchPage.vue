<script setup lang="ts">
/** The student's working screen for one assignment. */
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { Unreachable } from '../../api/errors'
import { useSession } from '../../api/session-store'
import DeskFoot from '../../desk/DeskFoot.vue'
import DeskOverlays from '../../desk/DeskOverlays.vue'
import DeskViews from '../../desk/DeskViews.vue'
import { useDesk } from '../../desk/desk-store'
import LeaveQuestion from '../../desk/pass/LeaveQuestion.vue'
import { usePass } from '../../desk/pass/pass-store'
import { useSurface } from '../../desk/surface/surface-store'
import { useWork } from '../../document/work-store'
import { painted } from '../../engine/painted'
import { usePlayer } from '../../engine/player-store'
import KeysDialog from '../../ui/keys/KeysDialog.vue'
import { useBench } from './bench-store'
import BenchHead from './BenchHead.vue'
import BenchTop from './BenchTop.vue'
import BriefPanel from './BriefPanel.vue'
import ElsewhereDialog from './ElsewhereDialog.vue'
import { useBenchKeys } from './keys'
import { usePageKeys } from '../../ui/keys/page-keys'
import { useLessonNews } from './lesson-news'
import { usePresence } from './presence-store'
import { t } from '../../words/t'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import { useNarrow } from '../../ui/page/narrow'
import RoomState from '../../ui/page/RoomState.vue'

const props = defineProps<{ assignment: string }>()

const bench = useBench()
const desk = useDesk()
const work = useWork()
const player = usePlayer()
const session = useSession()
const pass = usePass()
const surface = useSurface()
const problem = ref('')
const briefOpen = ref(true)
const keys = ref(false)
const leaving = ref<InstanceType<typeof LeaveQuestion> | null>(null)

const narrow = useNarrow()
const ready = computed(() => bench.assignment?.id === work.assignment && work.mix !== null)
/**
 * Whether the desk has been painted: what is read beside it, and what may lie over it, comes a frame or two later. Meanwhile what
 * has come from the server is taken in, and the beginning of the song is decoded beside the page.
 */
const seen = ref(false)
watch(
  ready,
  async (is) => {
    for (let frames = 0; is && frames < 2; frames++) await painted()
    seen.value = ready.value
  },
  { immediate: true },
)

async function open(): Promise<void> {
  problem.value = ''
  try {
    const [{ around }] = await Promise.all([
      work.open(props.assignment, session.person!.id),
      bench.open(props.assignment),
    ])
    void player.open(desk.song!, work.mix!)
    await around
  } catch (error) {
    problem.value = error instanceof Unreachable ? t('bench.not-here') : (error as Error).message
  }
}

watch(() => props.assignment, open, { immediate: true })

if (session.person?.role === 'student')
  usePresence().tell(
    () => (ready.value ? { assignment: props.assignment, task: desk.taskId ?? '' } : null),
    () => work.document,
  )

useLessonNews(() => props.assignment)
/** Past the head and the tasks, to what is drawn on. */
async function toLane(): Promise<void> {
  desk.view = 'lines'
  await nextTick()
  document.querySelector<HTMLElement>('[data-test=line]')?.focus()
}
const shortcuts = useBenchKeys({ tasks: briefOpen, keys })
usePageKeys(shortcuts)
onBeforeRouteLeave(() => (pass.active ? leaving.value?.ask() : true))
onBeforeUnmount(() => {
  surface.disconnect()
  pass.reset()
  // at once: whatever is opened next must not be closed by what is left
  void player.close()
  void work.leave()
})
</script>

<template>
  <div class="bench">
    <AppButton v-if="ready && !narrow" class="skip" tone="main" data-test="to-lane" @click="toLane">{{
      t('bench.to-lane')
    }}</AppButton>
    <BenchHead :assignment="assignment" :ready="ready" />

    <main v-if="problem || !ready" class="lost">
      <RoomState :problem="problem" loading @again="open" />
    </main>
    <template v-else>
      <main v-if="narrow" class="reading">
        <BenchTop />
        <p class="soft" data-test="wants-room">{{ t('bench.narrow') }}</p>
        <BriefPanel />
      </main>
      <div v-else class="room" :class="{ folded: !briefOpen }">
        <aside>
          <BriefPanel v-if="seen" v-show="briefOpen" />
          <IconButton
            class="fold"
            :icon="briefOpen ? 'previous' : 'following'"
            :label="briefOpen ? t('bench.fold') : t('bench.unfold')"
            :aria-expanded="briefOpen"
            @click="briefOpen = !briefOpen"
          />
        </aside>
        <main class="middle">
          <BenchTop />
          <DeskViews />
        </main>
      </div>
      <DeskFoot @keys="keys = true" />
      <template v-if="seen">
        <LeaveQuestion ref="leaving" />
        <DeskOverlays />
        <ElsewhereDialog />
      </template>
    </template>
    <KeysDialog v-model="keys" :groups="shortcuts" />
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

/* for whoever comes by keys: seen while it has the focus */
.skip {
  position: absolute;
  top: 8px;
  left: 8px;
  z-index: 20;
}

.skip:not(:focus-visible) {
  width: 1px;
  height: 1px;
  padding: 0;
  overflow: hidden;
  opacity: 0;
}

/* a telephone: one column, which scrolls */
.reading {
  flex: 1;
  min-height: 0;
  padding: var(--space-3);
  overflow-y: auto;
}

.reading > * + * {
  margin-top: var(--space-3);
}

.reading :deep(.brief) {
  padding-inline: 0;
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

/* beside what is read, and never over it */
.fold {
  position: absolute;
  z-index: 2;
  top: 14px;
  right: -13px;
  width: 26px;
  border: 1px solid var(--rule);
  background: var(--sheet);
}

.folded .fold {
  right: -1px;
}

.middle {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
  min-height: 0;
  padding: 10px 14px;
}

.lost {
  display: grid;
  place-content: center;
  flex: 1;
}

@media (max-width: 1100px) {
  .room {
    grid-template-columns: 220px minmax(0, 1fr);
  }
}

@media (pointer: coarse) {
  .fold::before {
    content: '';
    position: absolute;
    inset: -9px;
  }
}
</style>
