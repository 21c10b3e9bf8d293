<script setup lang="ts">
/** How much of the song is seen, and what is seen of the lanes. */
import { sectionAt } from '@rudlo/core/song'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
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
  <AppMenu stays :label="t('see.open')">
    <template #opener="{ opener: menu }">
      <IconButton desk v-bind="menu" icon="whole" :label="t('see.open')" data-test="see" />
    </template>
    <div class="see">
      <MenuItem data-test="see-all" @click="desk.showAll()">{{ t('see.song') }}</MenuItem>
      <MenuItem :disabled="!section" @click="section && desk.zoomTo(section)">{{
        t('see.section')
      }}</MenuItem>
      <MenuItem :disabled="!desk.selection" @click="desk.selection && desk.zoomTo(desk.selection)">
        {{ t('see.selection') }}
      </MenuItem>
      <CheckField v-model="desk.turns" :label="t('see.turn')" />
      <CheckField v-model="desk.justListen" :label="t('see.listen')" data-test="just-listen" />
    </div>
  </AppMenu>
</template>

<style scoped>
.see {
  display: grid;
}
</style>
