<script setup lang="ts">
/** A song of the songbook: what it looks like, how long and fast it is, where it is used. */
import type { SongEntry } from '@rudlo/contract/songbook'
import SongPicture from '../../charts/SongPicture.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import AppTag from '../../ui/marks/AppTag.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { lengthText } from '../../words/dates'
import { t } from '../../words/t'

defineProps<{ song: SongEntry }>()
const emit = defineEmits<{ archive: []; duplicate: []; remove: [] }>()
</script>

<template>
  <article class="sheet card" :class="{ archived: song.archived }">
    <header>
      <router-link :to="`/song/${song.id}`" class="title" data-test="song">{{ song.title }}</router-link>
      <AppMenu :label="t('songs.more', { title: song.title })">
        <template #opener="{ opener }"
          ><IconButton
            v-bind="opener"
            icon="more"
            :label="t('songs.more', { title: song.title })"
            data-test="song-more"
        /></template>
        <MenuItem icon="copy" data-test="duplicate" @click="emit('duplicate')">{{
          t('songs.duplicate')
        }}</MenuItem>
        <MenuItem
          v-if="song.mine"
          :icon="song.archived ? 'unarchive' : 'archive'"
          data-test="archive"
          @click="emit('archive')"
          >{{ t(song.archived ? 'songs.unarchive' : 'songs.archive') }}</MenuItem
        >
        <MenuItem v-if="song.mine" icon="remove" data-test="remove-song" @click="emit('remove')">{{
          t('home.remove')
        }}</MenuItem>
      </AppMenu>
    </header>
    <p class="soft">
      {{
        t('songs.facts', {
          length: lengthText(song.seconds),
          bpm: song.bpm,
          meter: song.meter,
          n: song.tracks,
        })
      }}
    </p>
    <SongPicture
      :picture="song.picture"
      :sections="song.sections"
      :label="t('songs.picture', { title: song.title })"
    />
    <p class="soft used">
      {{ song.usedIn.length ? t('songs.used', { titles: song.usedIn.join(', ') }) : t('songs.unused') }}
    </p>
    <p v-if="song.archived || !song.mine" class="tags">
      <AppTag v-if="song.archived" icon="archive" :text="t('songs.is-archived')" />
      <AppTag v-if="!song.mine" icon="locked" :text="t('songs.others')" />
    </p>
  </article>
</template>

<style scoped>
.card {
  position: relative;
  display: grid;
  gap: var(--space-1);
  align-content: start;
  padding: var(--space-4) var(--space-5);
}

.card:hover {
  border-color: var(--soft);
}

header {
  display: flex;
  gap: var(--space-2);
  align-items: center;
  justify-content: space-between;
}

.title {
  color: inherit;
  font-size: var(--text-4);
  font-weight: 680;
  text-decoration: none;
}

/* the whole card leads there; what else can be done lies above */
.title::after {
  content: '';
  position: absolute;
  inset: 0;
}

header > :last-child {
  position: relative;
  z-index: 1;
}

.used {
  font-size: var(--text-1);
}

.tags {
  display: flex;
  gap: var(--space-2);
}

.archived .title {
  color: var(--soft);
}
</style>
