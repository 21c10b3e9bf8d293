<script setup lang="ts">
/** Recordings or notes for a song: dropped here, or chosen. */
import { computed, ref } from 'vue'
import { useManySongs } from './many-songs'
import ManySongs from './ManySongs.vue'
import { songsIn, type DroppedFile } from './song-files'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import FileButton from '../../ui/fields/FileButton.vue'
import { t } from '../../words/t'

const props = defineProps<{ more: boolean }>()

const store = useSong()
const many = useManySongs()
const over = ref(false)
const AUDIO = '.wav,.aif,.aiff,.flac,.mp3,.ogg,.oga,.m4a,audio/*'
const busy = computed(() => store.incoming.some((i) => i.share < 1 && !i.problem))

/** Files of a drop, those of folders included. */
async function dropped(event: DragEvent): Promise<void> {
  over.value = false
  const entries = [...(event.dataTransfer?.items ?? [])].flatMap((i) => i.webkitGetAsEntry() ?? [])
  const files: DroppedFile[] = []
  const walk = async (entry: FileSystemEntry, folder: string): Promise<void> => {
    if (entry.isFile) {
      const file = await new Promise<File>((done, no) => (entry as FileSystemFileEntry).file(done, no))
      files.push({ file, folder })
      return
    }
    const reader = (entry as FileSystemDirectoryEntry).createReader()
    // a folder is read in parts, until there is nothing left
    for (;;) {
      const list = await new Promise<FileSystemEntry[]>((done, no) => reader.readEntries(done, no))
      if (!list.length) return
      for (const inner of list) await walk(inner, entry.name)
    }
  }
  for (const entry of entries) await walk(entry, '')
  await take(files)
}

async function take(files: readonly DroppedFile[]): Promise<void> {
  const found = songsIn(files)
  const [first] = found
  // what is added to a song that is open are its recordings
  if (props.more) {
    const more = found.flatMap((s) => (s.kind === 'recordings' ? s.files : []))
    if (more.length) await store.bringIn(more, '')
    else store.problem = t('song.in.only-recordings')
  } else if (found.length > 1) await many.bringIn(found)
  else if (first?.kind === 'recordings') await store.bringIn(first.files, first.name || t('song.new'))
  else if (first) await store.bringWhole(first.file, first.kind)
}

const choose = (files: readonly File[]) => take(files.map((file) => ({ file, folder: '' })))
</script>

<template>
  <section
    class="sheet drop"
    :class="{ over }"
    :aria-label="t('song.in.label')"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="dropped"
  >
    <ManySongs v-if="many.songs.length && !more" />
    <template v-else-if="!store.incoming.length && !store.listening">
      <h2>{{ t(more ? 'song.in.more-title' : 'song.in.title') }}</h2>
      <p v-if="!more" class="soft">{{ t('song.in.about') }}</p>
      <FileButton
        multiple
        :tone="more ? 'plain' : 'main'"
        :text="t('song.in.choose')"
        :accept="more ? AUDIO : `${AUDIO},.mid,.midi,.musicxml,.mxl,.xml,.zip`"
        test="choose-files"
        @files="choose"
      />
    </template>
    <p v-else-if="store.listening" role="status">
      <v-progress-circular indeterminate size="20" width="3" /> {{ store.listening }}
    </p>
    <template v-else>
      <ul>
        <li v-for="i in store.incoming" :key="i.name" data-test="incoming">
          <span class="name">{{ i.name }}</span>
          <span v-if="i.problem" class="problem" role="alert">{{ i.problem }}</span>
          <span v-else-if="i.share === 1" class="soft">{{
            t(i.known ? 'song.in.known' : 'song.in.here')
          }}</span>
          <v-progress-linear
            v-else
            class="share"
            :model-value="i.share * 100"
            height="8"
            rounded
            color="primary"
            :aria-label="t('song.in.coming', { name: i.name })"
          />
        </li>
      </ul>
      <AppButton v-if="busy" small data-test="stop-upload" @click="store.stop()">{{
        t('song.in.stop')
      }}</AppButton>
      <AppButton v-else small @click="store.incoming = []">{{ t('song.in.more') }}</AppButton>
    </template>
  </section>
</template>

<style scoped>
.drop {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 20px 24px;
  border-style: dashed;
}

.drop.over {
  border-color: var(--ink);
  background: var(--wash);
}

h2 {
  font-size: var(--text-4);
}

ul {
  display: grid;
  gap: 4px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  gap: 14px;
  align-items: center;
}

.name {
  min-width: 240px;
}

.problem {
  color: var(--warm);
}
</style>
