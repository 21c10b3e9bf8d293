<script setup lang="ts">
/** What lies on the desk, without the page around it. */
import { usePageKeys } from '../../src/ui/keys/page-keys'
import DeskOverlays from '../../src/desk/DeskOverlays.vue'
import DeskViews from '../../src/desk/DeskViews.vue'
import DeskTools from '../../src/desk/lanes/DeskTools.vue'
import PlayedStrip from '../../src/editor/strip/PlayedStrip.vue'
import { ref } from 'vue'
import { useBenchKeys } from '../../src/features/bench/keys'
import HistoryMenu from '../../src/features/bench/HistoryMenu.vue'
import TriesMenu from '../../src/features/bench/TriesMenu.vue'
import { useDesk } from '../../src/desk/desk-store'

const desk = useDesk()
usePageKeys(useBenchKeys({ tasks: ref(true), keys: ref(false) }))
</script>

<template>
  <v-app>
    <div class="test-desk">
      <div class="test-menus"><HistoryMenu /><TriesMenu /></div>
      <PlayedStrip :song="desk.song!" :time="desk.time!" :shown="desk.span" :marked="null" :flags="[]" />
      <DeskViews />
      <DeskTools v-if="desk.view === 'lines'" />
      <DeskOverlays />
    </div>
  </v-app>
</template>

<style scoped>
.test-desk {
  display: flex;
  flex-direction: column;
  gap: 8px;
  height: 100vh;
  padding: 8px;
}

.test-menus {
  display: flex;
  gap: 8px;
}
</style>
