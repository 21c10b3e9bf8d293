<script setup lang="ts">
/** Several songs on their way into the songbook: how far each is, and what became of it. */
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import { useManySongs, type SongOnItsWay } from './many-songs'

const many = useManySongs()

const said = ({ state, problem, title }: SongOnItsWay): string =>
  state === 'failed'
    ? problem
    : state === 'kept'
      ? [t('song.many.kept', { title }), problem].filter(Boolean).join('. ')
      : t(state === 'working' ? 'song.many.working' : 'song.many.waiting')
</script>

<template>
  <h2>{{ t('song.many.title', { n: many.songs.length }) }}</h2>
  <v-list class="songs" density="compact" bg-color="transparent" role="status">
    <v-list-item v-for="(song, i) in many.songs" :key="i" :title="song.name" data-test="one-of-many">
      <template #prepend>
        <v-progress-circular v-if="song.state === 'working'" indeterminate size="20" width="3" />
        <span v-else class="sign" aria-hidden="true">{{
          song.state === 'kept' ? '✓' : song.state === 'failed' ? '!' : '·'
        }}</span>
      </template>
      <v-list-item-subtitle :class="{ problem: song.state === 'failed' }">{{
        said(song)
      }}</v-list-item-subtitle>
      <template #append>
        <AppButton v-if="song.version" small :to="`/song/${song.version}`">{{
          t('song.many.open')
        }}</AppButton>
      </template>
    </v-list-item>
  </v-list>
  <div class="acts">
    <AppButton v-if="many.isBusy" small data-test="stop-many" @click="many.stop()">{{
      t('song.in.stop')
    }}</AppButton>
    <template v-else>
      <AppButton small tone="main" to="/songs">{{ t('song.many.book') }}</AppButton>
      <AppButton small @click="many.clear()">{{ t('song.in.more') }}</AppButton>
    </template>
  </div>
</template>

<style scoped>
h2 {
  font-size: var(--text-4);
}

.songs {
  width: 100%;
}

.sign {
  display: inline-block;
  width: 20px;
  text-align: center;
}

.problem {
  color: var(--warm);
  opacity: 1;
}

.acts {
  display: flex;
  gap: var(--space-3);
}
</style>
