<script setup lang="ts">
/** Recordings or notes for a song: dropped here, or chosen. */
import { computed, ref } from 'vue'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import FileButton from '../../ui/fields/FileButton.vue'
import { t } from '../../words/t'

defineProps<{ more: boolean }>()

const store = useSong()
const over = ref(false)
const AUDIO = '.wav,.aif,.aiff,.flac,.mp3,.ogg,.oga,.m4a,audio/*'
const busy = computed(() => store.incoming.some((i) => i.share < 1 && !i.problem))

/** Files of a drop, those of folders included. */
async function dropped(event: DragEvent): Promise<void> {
  over.value = false
  const entries = [...(event.dataTransfer?.items ?? [])].flatMap((i) => i.webkitGetAsEntry() ?? [])
  const files: File[] = []
  const walk = async (entry: FileSystemEntry): Promise<void> => {
    if (entry.isFile)
      files.push(await new Promise((done, no) => (entry as FileSystemFileEntry).file(done, no)))
    else {
      const reader = (entry as FileSystemDirectoryEntry).createReader()
      const list = await new Promise<FileSystemEntry[]>((done, no) => reader.readEntries(done, no))
      for (const inner of list) await walk(inner)
    }
  }
  for (const entry of entries) await walk(entry)
  await take(files)
}

async function take(files: readonly File[]): Promise<void> {
  const notes = files.find((f) => /\.midi?$/i.test(f.name))
  if (notes) return void (await store.bringNotes(notes))
  const sorted = [...files]
    .filter((f) => !f.name.startsWith('.'))
    .sort((a, b) => a.name.localeCompare(b.name))
  if (sorted.length) await store.bringIn(sorted, t('song.new'))
}
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
    <template v-if="!store.incoming.length && !store.listening">
      <h2>{{ t(more ? 'song.in.more-title' : 'song.in.title') }}</h2>
      <p v-if="!more" class="soft">{{ t('song.in.about') }}</p>
      <FileButton
        multiple
        :tone="more ? 'plain' : 'main'"
        :text="t('song.in.choose')"
        :accept="`${AUDIO},.mid,.midi`"
        test="choose-files"
        @files="take"
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
