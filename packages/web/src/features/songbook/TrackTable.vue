<script setup lang="ts">
/** The tracks of a song: names, roles, order. */
import { ROLES, type Role } from '@rudlo/core/song'
import { useTemplateRef } from 'vue'
import { useSortable } from '../../ui/use-sortable'
import { ROLE_ICONS } from '../../ui/theme/role-names'
import { useSong } from './song-store'
import AppButton from '../../ui/buttons/AppButton.vue'

const store = useSong()
const list = useTemplateRef<HTMLElement>('list')
useSortable(list as never, '.drag', (from, to) => store.moveTrack(from, to))
</script>

<template>
  <section class="sheet block form" aria-label="Tracks">
    <h2>{{ store.song!.tracks.length }} tracks</h2>
    <p v-if="store.lengths" class="soft">{{ store.lengths }}</p>
    <div ref="list" class="list">
      <div v-for="(t, i) in store.song!.tracks" :key="t.id" class="track" data-test="track">
        <v-icon icon="$drag" size="18" class="drag" title="Drag to another place" />
        <v-icon :icon="ROLE_ICONS[t.role]" size="18" />
        <input
          :value="t.name"
          maxlength="60"
          :aria-label="`Name of track ${i + 1}`"
          @change="store.setTrack(t.id, { name: ($event.target as HTMLInputElement).value.trim() || t.name })"
        />
        <select
          :value="t.role"
          :aria-label="`Role of ${t.name}`"
          @change="store.setTrack(t.id, { role: ($event.target as HTMLSelectElement).value as Role })"
        >
          <option v-for="r in ROLES" :key="r" :value="r">{{ r }}</option>
        </select>
        <AppButton small
         
          :disabled="i === 0"
          :aria-label="`${t.name} up`"
          @click="store.moveTrack(i, i - 1)"
        >
          ↑
        </AppButton>
        <AppButton small
         
          :disabled="i === store.song!.tracks.length - 1"
          :aria-label="`${t.name} down`"
          @click="store.moveTrack(i, i + 1)"
        >
          ↓
        </AppButton>
        <AppButton small :aria-label="`Take ${t.name} out`" @click="store.removeTrack(t.id)">
          <v-icon icon="$remove" size="16" />
        </AppButton>
      </div>
    </div>
  </section>
</template>

<style scoped>
.block {
  display: grid;
  gap: 10px;
  padding: 16px 20px;
}

h2 {
  font-size: 18px;
}

.list {
  display: grid;
  gap: 4px;
}

.track {
  display: flex;
  gap: 8px;
  align-items: center;
}

.track input {
  flex: 1;
  min-width: 0;
}

.drag {
  cursor: grab;
}
</style>
