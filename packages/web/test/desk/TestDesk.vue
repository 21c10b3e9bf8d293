<script setup lang="ts">
/** What lies on the desk, without the page around it. */
import { usePageKeys } from '../../src/ui/keys/page-keys'
import DeskOverlays from '../../src/desk/DeskOverlays.vue'
import DeskViews from '../../src/desk/DeskViews.vue'
import DeskTools from '../../src/desk/lanes/DeskTools.vue'
import PlayedStrip from '../../src/editor/strip/PlayedStrip.vue'
import HistoryMenu from '../../src/features/bench/HistoryMenu.vue'
import TriesMenu from '../../src/features/bench/TriesMenu.vue'
import { useDesk } from '../../src/desk/desk-store'
import { useWork } from '../../src/document/work-store'

const desk = useDesk()
const work = useWork()
usePageKeys([
  {
    title: '',
    keys: [
      {
        shown: '',
        what: '',
        on: {
          '1': () => (desk.hand = 'points'),
          '2': () => (desk.hand = 'bars'),
          '3': () => (desk.hand = 'freehand'),
          '4': () => (desk.hand = 'cells'),
          'Ctrl+z': () => work.undo(),
          'Ctrl+y': () => work.redo(),
        },
      },
    ],
  },
])
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
