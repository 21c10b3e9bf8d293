<script setup lang="ts">
/** The songbook: every song there is, and new ones from recordings or from notes. */
import { onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const songs = shallowRef<readonly { id: string; title: string; number: number }[] | null>(null)
const problem = ref('')

onMounted(() =>
  attempt(
    async () => (songs.value = await told(server.songs.$get())),
    (sentence) => (problem.value = sentence),
  ),
)
</script>

<template>
  <AppHeader title="Songbook" />
  <main class="songs">
    <div class="top">
      <h1>Songbook</h1>
      <AppButton tone="main" to="/song/new" data-test="new-song">New song</AppButton>
    </div>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else-if="songs && !songs.length" class="soft">
      No songs yet. Bring in the recordings of one, track by track, or a MIDI file.
    </p>
    <router-link
      v-for="s in songs ?? []"
      :key="s.id"
      class="sheet song"
      :to="`/song/${s.id}`"
      data-test="song"
    >
      <b>{{ s.title }}</b>
      <span class="soft">{{ Number(s.number) > 1 ? `version ${s.number}` : '' }}</span>
    </router-link>
  </main>
</template>

<style scoped>
.songs {
  display: grid;
  gap: 12px;
  width: min(820px, 100%);
  margin: 0 auto;
  padding: 30px 24px;
}

.top {
  display: flex;
  align-items: center;
  justify-content: space-between;
}

h1 {
  font-size: 30px;
}

.song {
  display: flex;
  justify-content: space-between;
  padding: 16px 20px;
  color: inherit;
  font-size: 17px;
  text-decoration: none;
}

.song:hover {
  border-color: var(--ink);
}
</style>
