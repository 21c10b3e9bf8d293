<script setup lang="ts">
/** The tracks of a song: what each sounds like, its name, its role, its place; heard alone by one click. */
import { ROLES, type Role, type SongTrack } from '@rudlo/core/song'
import { computed, useTemplateRef } from 'vue'
import { useOverviews } from '../../editor/lane/use-overviews'
import { usePlayer } from '../../engine/player-store'
import IconButton from '../../ui/buttons/IconButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextField from '../../ui/fields/TextField.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { ROLE_ICONS } from '../../ui/theme/role-names'
import { useSortable } from '../../ui/use-sortable'
import { t } from '../../words/t'
import { useSong } from './song-store'
import { trackPicture } from './track-picture'

const store = useSong()
const player = usePlayer()
const list = useTemplateRef<HTMLElement>('list')
useSortable(list as never, '.drag', (from, to) => store.moveTrack(from, to))
const overviews = useOverviews(() => store.song!)

const roles = ROLES.map((value) => ({ value, text: t(`role.${value}`) }))
const tracks = computed(() =>
  store.song!.tracks.map((track) => ({ track, ...trackPicture(store.song!, track.id, overviews.value) })),
)

const aboutOf = (track: SongTrack, peak: number | null) =>
  [
    t(track.played ? 'song.track.played' : track.channels === 2 ? 'song.track.stereo' : 'song.track.mono'),
    peak === null
      ? t('song.track.silent')
      : t('song.track.peak', { value: peak.toFixed(1).replace('-', '−') }),
  ].join(' · ')

const isAlone = (id: string) =>
  player.playing && player.solo.tracks.length === 1 && player.solo.tracks[0] === id

/** Plays one track alone, or stops it and lets all be heard again. */
function hear(id: string): void {
  const was = isAlone(id)
  if (player.solo.tracks.includes(id) ? was : true) player.toggleSolo('tracks', id, true)
  if (was) player.stop()
  else if (!player.playing) void player.play()
}
</script>

<template>
  <PageSection :title="t('song.tracks', { n: tracks.length })" :about="store.lengths || undefined">
    <div ref="list" class="list">
      <div v-for="({ track, path, peak }, i) in tracks" :key="track.id" class="track" data-test="track">
        <v-icon icon="$drag" size="18" class="drag" :data-tip="t('song.track.drag')" />
        <IconButton
          :icon="isAlone(track.id) ? 'stop' : 'play'"
          :label="isAlone(track.id) ? t('song.track.stop') : t('song.track.hear', { name: track.name })"
          :disabled="!player.ready"
          @click="hear(track.id)"
        />
        <TextField
          class="name"
          bare
          :model-value="track.name"
          maxlength="60"
          :label="t('song.track.name', { number: i + 1 })"
          @change="
            store.setTrack(track.id, { name: ($event.target as HTMLInputElement).value.trim() || track.name })
          "
          @keydown.stop
        />
        <SelectField
          class="role"
          bare
          :model-value="track.role"
          :label="t('song.track.role-of', { name: track.name })"
          :choices="roles"
          @update:model-value="(role: Role) => store.setTrack(track.id, { role })"
          @keydown.stop
        />
        <IconButton
          icon="up"
          :disabled="i === 0"
          :label="t('song.track.up', { name: track.name })"
          @click="store.moveTrack(i, i - 1)"
        />
        <IconButton
          icon="down"
          :disabled="i === tracks.length - 1"
          :label="t('song.track.down', { name: track.name })"
          @click="store.moveTrack(i, i + 1)"
        />
        <IconButton
          icon="remove"
          :label="t('song.track.remove', { name: track.name })"
          @click="store.removeTrack(track.id)"
        />
        <svg class="wave" viewBox="0 0 300 32" preserveAspectRatio="none" aria-hidden="true">
          <path :d="path" />
        </svg>
        <span class="about soft"
          ><v-icon :icon="ROLE_ICONS[track.role]" size="15" /> {{ aboutOf(track, peak) }}</span
        >
      </div>
    </div>
  </PageSection>
</template>

<style scoped>
.list {
  display: grid;
}

.track {
  display: grid;
  grid-template-columns: 20px auto minmax(90px, 1fr) 150px auto auto auto;
  gap: 2px var(--space-2);
  align-items: center;
  padding: var(--space-2) 0;
}

.track + .track {
  border-top: 1px solid var(--rule);
}

.wave {
  grid-column: 3;
  width: 100%;
  height: 32px;
}

.wave path {
  stroke: color-mix(in srgb, var(--family-volume) 44%, var(--sheet));
  stroke-width: 1;
}

.about {
  grid-column: 4 / -1;
  font-size: var(--text-1);
}

.drag {
  cursor: grab;
}
</style>
