<script setup lang="ts">
/** One song of the songbook: its recordings, tracks, time and sections; heard while it is made. */
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
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

const props = defineProps<{ version: string }>()

const store = useSong()
const player = usePlayer()
const router = useRouter()
const notice = ref<string | null>(null)
const saving = ref(false)
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
      const { document, mix } = await told(server.songs[':version'].$get({ param: { version } }))
      const entry = songs.find((s) => s.id === version)
      // a song of other teachers is kept as one of one's own
      store.open(document, entry?.mine ? entry.song : null, mix)
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
    if (store.song?.regions.length) void player.open(store.song, store.heard!)
  },
  { immediate: true },
)
watch(
  () => store.problem,
  (problem) => (notice.value = problem || null),
)

async function keep(): Promise<void> {
  saving.value = true
  const version = await store.keep()
  saving.value = false
  if (!version) return
  notice.value = isOthers.value ? t('song.saved-own') : t('song.saved')
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
usePageKeys([
  {
    title: t('keys.listening'),
    keys: [{ shown: t('keys.space'), what: t('keys.play'), on: { ' ': () => player.toggle() } }],
  },
])
</script>

<template>
  <div class="song">
    <AppHeader :before="t('songs.room')" :title="store.song?.title ?? t('song.new')">
      <span v-if="store.song" class="soft" role="status" data-test="song-state">{{
        t(store.saved ? 'song.state.saved' : 'song.state.changed')
      }}</span>
      <AppButton v-if="store.song" tone="main" :busy="saving" data-test="keep-song" @click="keep">
        {{ isOthers ? t('song.save-own') : t('song.save') }}
      </AppButton>
    </AppHeader>
    <main>
      <h1 class="unseen">{{ store.song?.title ?? t('song.new') }}</h1>
      <template v-if="store.song">
        <p v-if="isOthers" class="sheet note" role="note" data-test="others-song">{{ t('song.others') }}</p>
        <p v-if="store.mix" class="sheet note" data-test="brought-lines">{{ t('song.brought') }}</p>
        <div v-if="store.doubtfulTitle" class="sheet note ask" role="note" data-test="doubtful-title">
          <span>{{ t('song.title.doubtful', { title: store.doubtfulTitle }) }}</span>
          <AppButton small data-test="take-title" @click="store.answerTitle(true)">{{
            t('song.title.take')
          }}</AppButton>
          <AppButton small data-test="leave-title" @click="store.answerTitle(false)">{{
            t('song.title.leave')
          }}</AppButton>
        </div>
        <TextField
          class="title"
          :model-value="store.song.title"
          :label="t('song.title')"
          maxlength="200"
          data-test="song-title"
          @update:model-value="store.setTitle"
          @keydown.stop
        />
        <PlayedStrip :song="store.song" :time="store.time!" />
        <div class="two">
          <div class="column">
            <TrackTable />
            <BringIn more />
          </div>
          <div class="column">
            <SectionList />
            <TimingForm />
            <DownbeatLane
              v-if="store.canRetime"
              :song="store.song"
              @downbeat="(s) => store.setTiming({ downbeat: s })"
            />
          </div>
        </div>
      </template>
      <BringIn v-else :more="false" />
    </main>
    <TransportBar v-if="store.song" :time="store.time!" />
    <NoticeBar v-model="notice" />
    <AskDialog
      ref="leaving"
      name="leave-song"
      :title="t('song.leave.title')"
      :text="t('song.leave.text')"
      :yes="t('ui.unsaved.leave')"
      :no="t('ui.unsaved.stay')"
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
  gap: var(--space-3);
  min-height: 0;
  width: min(1240px, 100%);
  margin: 0 auto;
  padding: var(--space-4) var(--space-5);
  overflow-y: auto;
}

main > * {
  flex: none;
}

.two {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: var(--space-3);
  align-items: start;
}

.column {
  display: grid;
  gap: var(--space-3);
}

.note {
  padding: var(--space-3) var(--space-5);
}

.ask {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: center;
}

@media (max-width: 1000px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
