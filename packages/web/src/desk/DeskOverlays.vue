<script setup lang="ts">
/** What may lie over the desk: the menu of a control, why something is not heard, the rig, and what is said at its foot. */
import NoticeBar from '../ui/overlays/NoticeBar.vue'
import { useWork } from '../document/work-store'
import ControlMenu from './mixer/ControlMenu.vue'
import WhyPanel from './mixer/WhyPanel.vue'
import RigPanel from './surface/RigPanel.vue'
import { useSurface } from './surface/surface-store'
import { useDesk } from './desk-store'

const desk = useDesk()
const work = useWork()
const surface = useSurface()
</script>

<template>
  <ControlMenu />
  <RigPanel
    v-if="surface.rig === 'panel'"
    @close="surface.disconnect()"
    @window="surface.openRig('window')"
  />
  <WhyPanel v-if="desk.asked" />
  <NoticeBar v-model="work.notice" />
</template>
