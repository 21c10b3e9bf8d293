<script setup lang="ts">
/** How much of the song is seen, and what is seen of the lanes. */
import { sectionAt } from '@rudlo/core/song'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

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
      <RowButton v-bind="menu" :aria-label="t('see.open')" :tip="t('see.open')" data-test="see">
        <v-icon icon="$whole" size="20" />
      </RowButton>
    </template>
    <div class="sheet menu" role="group" :aria-label="t('see.open')">
      <MenuItem data-test="see-all" @click="desk.showAll()">{{ t('see.song') }}</MenuItem>
      <MenuItem :disabled="!section" @click="section && desk.zoomTo(section)">{{ t('see.section') }}</MenuItem>
      <MenuItem :disabled="!desk.selection" @click="desk.selection && desk.zoomTo(desk.selection)">
        {{ t('see.selection') }}
      </MenuItem>
      <label><input v-model="desk.turns" type="checkbox" /> {{ t('see.turn') }}</label>
      <label
        ><input v-model="desk.justListen" type="checkbox" data-test="just-listen" /> {{ t('see.listen') }}</label
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
