<script setup lang="ts">
/** Everybody's line of one lane on top of each other, with the middle half shaded; and two hand-ins side by side. */
import { laneName } from '@rudlo/core/assess'
import { allLanes } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useSpan } from '../../editor/lane/use-span'
import { server, told } from '../../api/client'
import { openQueue } from '../../api/hand-in'
import { attempt } from '../../ui/forms/attempt'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { LineOfOne, QueueEntry } from '@rudlo/contract/handins'
import AppHeader from '../../shell/AppHeader.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import CrowdSection from './CrowdSection.vue'
import SidesSection from './SidesSection.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: string }>()

const player = usePlayer()
const given = shallowRef<AssignmentView | null>(null)
const queue = shallowRef<readonly QueueEntry[]>([])
/** Null until they have come. */
const lines = shallowRef<readonly LineOfOne[] | null>(null)
const lane = ref('')
const names = ref(true)
const chosen = ref<[string, string]>(['', ''])
const problem = ref<string | null>(null)
/** Why there is nothing to compare. */
const failed = ref('')

const song = computed(() => given.value!.songDocument)
const time = computed(() => songTime(song.value))
const { span, zoom, scroll, showAll } = useSpan(() => (given.value ? time.value : null))
const start = computed(() => given.value!.startingMix)
const lanes = computed(() => {
  const asked = given.value!.brief.tasks.flatMap((t) => t.lanes)
  const all = [...new Set([...asked, ...allLanes(start.value)])]
  return all.map((address) => ({ address, name: laneName(song.value, start.value, address) }))
})

const act = (what: () => Promise<void>) => attempt(what, (sentence) => (problem.value = sentence))

async function open(): Promise<void> {
  failed.value = ''
  given.value = null
  await attempt(
    async () => {
      const { given: opened, queue: handedIn } = await openQueue(props.assignment)
      given.value = opened
      queue.value = handedIn
      showAll()
      lane.value = opened.brief.tasks[0]?.lanes[0] ?? lanes.value[0]!.address
      const newest = queue.value.filter((q) => q.newest)
      chosen.value = [newest[0]?.id ?? '', newest[1]?.id ?? '']
      void player.open(opened.songDocument, opened.startingMix)
    },
    (sentence) => (failed.value = sentence),
  )
}
watch(() => props.assignment, open, { immediate: true })
watch([lane, () => given.value?.id], () =>
  act(async () => {
    if (!lane.value || !given.value) return
    lines.value = await told(
      server.assignments[':assignment'].lines.$get({
        param: { assignment: given.value.id },
        query: { lane: lane.value },
      }),
    )
  }),
)
onBeforeUnmount(() => void player.close())
</script>

<template>
  <div class="compare">
    <AppHeader :before="t('compare.room')" :title="given?.title">
      <CheckField v-model="names" :label="t('compare.names')" data-test="names" />
      <AppButton small :to="`/review/${props.assignment}`">{{ t('compare.to-review') }}</AppButton>
    </AppHeader>
    <RoomState v-if="!given" class="coming" :problem="failed" loading @again="open" />
    <main v-else>
      <h1 class="unseen">{{ t('compare.title') }}</h1>
      <CrowdSection
        v-model:lane="lane"
        :song="song"
        :time="time"
        :start="start"
        :span="span"
        :lanes="lanes"
        :lines="lines"
        :names="names"
        @side="(id) => (chosen = [id, chosen[1]])"
        @zoom="zoom"
        @scroll="scroll"
      />
      <SidesSection
        v-model:chosen="chosen"
        :song="song"
        :time="time"
        :start="start"
        :span="span"
        :lane="lane"
        :queue="queue"
        :names="names"
        @problem="(sentence) => (problem = sentence)"
        @zoom="zoom"
        @scroll="scroll"
      />
    </main>
    <TransportBar v-if="given" :time="time" />
    <NoticeBar v-model="problem" />
  </div>
</template>

<style scoped>
.compare {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
}

.coming {
  flex: 1;
  align-content: center;
}

main {
  display: grid;
  flex: 1;
  grid-template-rows: minmax(220px, 1fr) minmax(220px, 1fr);
  gap: 10px;
  min-height: 0;
  padding: 10px 14px;
  overflow-y: auto;
}

.names {
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
