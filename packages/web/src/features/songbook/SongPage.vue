<script setup lang="ts">
/** One song of the songbook: its recordings, tracks, time and sections; heard while it is made. */
import { plainMix } from '@rudlo/core/mix'
import { computed, onBeforeUnmount, ref, watch, useTemplateRef } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { usePlayer } from '../../engine/player-store'
import { server, told } from '../../api/client'
import AskDialog from '../../ui/overlays/AskDialog.vue'
import AppHeader from '../../shell/AppHeader.vue'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import { usePageKeys } from '../../ui/keys/page-keys'
import PlayedStrip from '../../editor/strip/PlayedStrip.vue'
import TransportBar from '../../desk/transport/TransportBar.vue'
import BringIn from './BringIn.vue'
import DownbeatLane from './DownbeatLane.vue'
import SectionList from './SectionList.vue'
import { useSong } from './song-store'
import TimingForm from './TimingForm.vue'
import TrackTable from './TrackTable.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ version: string }>()

const store = useSong()
const player = usePlayer()
const router = useRouter()
const notice = ref<string | null>(null)
/** Whether the song that is open belongs to other teachers. */
const isOthers = ref(false)
let opened: string | null = null

watch(
  () => props.version,
  async (version) => {
    if (version === opened) return
    opened = version
    isOthers.value = false
    if (version === 'new') return store.open(null, null)
    try {
      const songs = await told(server.songs.$get())
      const { document } = await told(server.songs[':version'].$get({ param: { version } }))
      const entry = songs.find((s) => s.id === version)
      // a song of other teachers is kept as one of one's own
      store.open(document, entry?.mine ? entry.song : null)
      isOthers.value = entry !== undefined && !entry.mine
    } catch (error) {
      store.problem = (error as Error).message
    }
  },
  { immediate: true },
)

// what is heard follows what is made
const sounding = computed(
  () => store.song && JSON.stringify([store.song.regions, store.song.tempo, store.song.tracks]),
)
watch(
  sounding,
  () => {
    if (store.song?.regions.length) void player.open(store.song, plainMix(store.song))
  },
  { immediate: true },
)
watch(
  () => store.problem,
  (problem) => (notice.value = problem || null),
)

async function keep(): Promise<void> {
  const version = await store.keep()
  if (!version) return
  notice.value = isOthers.value
    ? 'Saved as a song of your own. The other one is as it was.'
    : 'Kept. Assignments that were given keep the version that they have.'
  isOthers.value = false
  opened = version
  await router.replace(`/song/${version}`)
}

const leaving = useTemplateRef('leaving')
onBeforeRouteLeave(() => store.saved || leaving.value!.ask())
onBeforeUnmount(() => {
  store.close()
  void player.close()
})
usePageKeys({ ' ': () => player.toggle() })
</script>

<template>
  <div class="song">
    <AppHeader before="Songbook" :title="store.song?.title ?? 'New song'">
      <AppButton tone="quiet" to="/songs">All songs</AppButton>
      <AppButton tone="main"
        v-if="store.song"
        :disabled="store.saved"
        data-test="keep-song"
        @click="keep"
      >
        {{ isOthers ? 'Save as my own song' : 'Keep the song' }}
      </AppButton>
    </AppHeader>
    <main>
      <h1 class="unseen">{{ store.song?.title ?? 'New song' }}</h1>
      <template v-if="store.song">
        <p v-if="isOthers" class="sheet note" role="note" data-test="others-song">
          This song belongs to other teachers. You can use it in assignments; if you change it, it is saved as
          a song of your own.
        </p>
        <label class="form title"
          >Title
          <input
            :value="store.song.title"
            maxlength="200"
            data-test="song-title"
            @input="store.setTitle(($event.target as HTMLInputElement).value)"
        /></label>
        <PlayedStrip :song="store.song" :time="store.time!" />
        <DownbeatLane
          v-if="store.canRetime"
          :song="store.song"
          @downbeat="(s) => store.setTiming({ downbeat: s })"
        />
        <div class="two">
          <TimingForm />
          <SectionList />
        </div>
        <TrackTable />
        <p v-if="store.broughtMix" class="sheet note" data-test="brought-lines">
          The notes brought moves of volume and pan along. Keep the song, then make an assignment with it:
          they are offered as its starting mix.
        </p>
      </template>
      <BringIn :more="store.song !== null" />
    </main>
    <TransportBar v-if="store.song" :time="store.time!" />
    <NoticeBar v-model="notice" />
    <AskDialog
      ref="leaving"
      name="leave-song"
      title="The song is not kept"
      text="What you changed since you last kept it is lost if you leave now."
      yes="Leave without keeping it"
      no="Stay"
    />
  </div>
</template>

<style scoped>
.song {
  display: flex;
  flex-direction: column;
  height: 100vh;
  height: 100dvh;
}

main {
  display: flex;
  flex: 1;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
  width: min(1180px, 100%);
  margin: 0 auto;
  padding: 16px 20px;
  overflow-y: auto;
}

main > * {
  flex: none;
}

.title {
  display: flex;
  gap: 10px;
  align-items: center;
}

.title input {
  flex: 1;
  font-size: 18px;
  font-weight: 600;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}

.note {
  padding: 12px 18px;
}

@media (max-width: 1000px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
