<script setup lang="ts">
/** How much of the song is seen, and what is seen of the lanes. */
import { sectionAt } from '@rudlo/core/song'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'

const desk = useDesk()
const player = usePlayer()

/** The section that is heard. */
const section = computed(() => {
  const song = desk.song!
  const here = sectionAt(song, player.position)
  const next = song.sections.find((s) => s.tick > player.position)
  return here ? { from: here.tick, to: next?.tick ?? song.length } : null
})
</script>

<template>
  <v-menu>
    <template #activator="{ props: menu }">
      <button v-bind="menu" aria-label="What is seen" title="What is seen" data-test="see">
        <v-icon icon="$whole" size="20" />
      </button>
    </template>
    <div class="sheet menu" role="group" aria-label="What is seen">
      <button data-test="see-all" @click="desk.showAll()">The whole song</button>
      <button :disabled="!section" @click="section && desk.zoomTo(section)">The section that is heard</button>
      <button :disabled="!desk.selection" @click="desk.selection && desk.zoomTo(desk.selection)">
        The selected bars
      </button>
      <label><input v-model="desk.turns" type="checkbox" /> turns over like a page as it plays</label>
      <label
        ><input v-model="desk.justListen" type="checkbox" data-test="just-listen" /> just listen: hide the
        lines</label
      >
    </div>
  </v-menu>
</template>

<style scoped>
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
  padding: 0 12px;
}

button:disabled {
  color: var(--soft);
}

[data-test='see'] {
  display: grid;
  place-items: center;
  width: 36px;
  height: 36px;
  border: 0;
  border-radius: 8px;
  background: transparent;
  color: inherit;
  cursor: pointer;
}

[data-test='see']:hover {
  background: color-mix(in srgb, var(--on-desk) 14%, transparent);
}
</style>
