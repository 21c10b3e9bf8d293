<script setup lang="ts">
/** The songbook: every song with its picture and where it is used; new ones from recordings or from notes. */
import type { SongEntry } from '@rudlo/contract/songbook'
import { computed, onMounted, ref, shallowRef, useTemplateRef } from 'vue'
import { useRouter } from 'vue-router'
import { server, told } from '../../api/client'
import AskRemove from '../../desk/removed/AskRemove.vue'
import RemovedList from '../../desk/removed/RemovedList.vue'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import TextField from '../../ui/fields/TextField.vue'
import { attempt } from '../../ui/forms/attempt'
import NoticeBar from '../../ui/overlays/NoticeBar.vue'
import RoomPage from '../../ui/page/RoomPage.vue'
import { t } from '../../words/t'
import SongCard from './SongCard.vue'

const router = useRouter()
const songs = shallowRef<readonly SongEntry[] | null>(null)
const problem = ref('')
const search = ref('')
const withArchived = ref(false)

const hasArchived = computed(() => songs.value?.some((s) => s.archived) ?? false)
const shown = computed(() => {
  const wanted = search.value.trim().toLowerCase()
  return (songs.value ?? []).filter(
    (s) =>
      (withArchived.value || !s.archived) &&
      `${s.title} ${s.usedIn.join(' ')}`.toLowerCase().includes(wanted),
  )
})

const act = (what: () => Promise<unknown>) => attempt(what, (sentence) => (problem.value = sentence))
const load = () => {
  problem.value = ''
  return act(async () => (songs.value = await told(server.songs.$get())))
}
onMounted(load)

const archive = (song: SongEntry) =>
  act(async () => {
    await told(
      server.songs[':song'].$patch({ param: { song: song.song }, json: { archived: !song.archived } }),
    )
    await load()
  })

const asked = useTemplateRef('asked')
const removed = useTemplateRef('removed')
const notice = ref<string | null>(null)
const remove = (song: SongEntry) =>
  attempt(
    async () => {
      if (!(await asked.value!.ask(song.title, null))) return
      await told(server.songs[':song'].$delete({ param: { song: song.song } }))
      await load()
      await removed.value?.load()
    },
    (sentence) => (notice.value = sentence),
  )

const duplicate = (song: SongEntry) =>
  act(async () => {
    const { document, mix } = await told(server.songs[':version'].$get({ param: { version: song.id } }))
    const title = t('songs.copy', { title: song.title })
    const { version } = await told(server.songs.$post({ json: { document: { ...document, title }, mix } }))
    await router.push(`/song/${version}`)
  })
</script>

<template>
  <AppHeader />
  <RoomPage
    :title="t('songs.room')"
    :problem="problem"
    :loading="!songs"
    :empty="songs?.length === 0 ? { title: t('songs.empty'), text: t('songs.empty.text') } : null"
    @again="load"
  >
    <template #acts>
      <TextField
        v-if="songs?.length"
        v-model="search"
        class="search"
        compact
        :label="t('songs.search')"
        data-test="search"
      />
      <CheckField
        v-if="hasArchived"
        v-model="withArchived"
        :label="t('songs.archived')"
        data-test="archived"
      />
      <AppButton tone="main" icon="add" to="/song/new" data-test="new-song">{{ t('songs.new') }}</AppButton>
    </template>
    <template #empty>
      <AppButton tone="main" to="/song/new">{{ t('songs.new') }}</AppButton>
    </template>
    <p v-if="!shown.length" class="soft">{{ t('songs.none-found') }}</p>
    <div class="cards">
      <SongCard
        v-for="s in shown"
        :key="s.id"
        :song="s"
        data-test="song-card"
        @remove="remove(s)"
        @archive="archive(s)"
        @duplicate="duplicate(s)"
      />
    </div>
    <RemovedList ref="removed" kind="song" @restored="load" />
    <AskRemove ref="asked" />
    <NoticeBar v-model="notice" />
  </RoomPage>
</template>

<style scoped>
.search {
  flex: 0 1 240px;
}

.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: var(--space-4);
}
</style>
