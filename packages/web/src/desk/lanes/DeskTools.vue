<script setup lang="ts">
/** What helps the hand on the desk: the grid that places snap to, and how close the song is seen. */
import { usePlayer } from '../../engine/player-store'
import { useDesk, type Hand } from '../desk-store'
import { SNAPS, type SnapTo } from './use-snapping'
import SeeMenu from './SeeMenu.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import ChoiceButtons from '../../ui/buttons/ChoiceButtons.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import { t } from '../../words/t'

const desk = useDesk()
const player = usePlayer()
const hand = (value: Hand, text: string, tip: string) => ({ value, text, tip, test: `hand-${value}` })
const HANDS = [
  hand('points', t('tools.points'), t('tools.points.tip')),
  hand('bars', t('tools.bars'), t('tools.bars.tip')),
  hand('freehand', t('tools.draw'), t('tools.draw.tip')),
  hand('cells', t('tools.cells'), t('tools.cells.tip')),
]
const SNAP_NAMES: Readonly<Record<SnapTo, string>> = {
  bar: t('tools.snap.bar'),
  beat: t('tools.snap.beat'),
  'half-beat': t('tools.snap.half-beat'),
  'quarter-beat': t('tools.snap.quarter-beat'),
  'third-beat': t('tools.snap.third-beat'),
  section: t('tools.snap.section'),
  region: t('tools.snap.region'),
  onset: t('tools.snap.onset'),
  'any onset': t('tools.snap.any-onset'),
  play: t('tools.snap.play'),
  off: t('tools.snap.off'),
}
const SNAP_CHOICES = SNAPS.map((value) => ({ value, text: SNAP_NAMES[value] }))
</script>

<template>
  <div class="tools">
    <ChoiceButtons v-model="desk.hand" desk :choices="HANDS" :label="t('tools.label')" />
    <SelectField
      v-model="desk.grid"
      class="snap"
      bare
      :label="t('tools.snap')"
      :choices="SNAP_CHOICES"
      data-test="snap"
      @keydown.stop
    />
    <IconButton desk icon="further" :label="t('tools.further')" @click="desk.zoom(player.position, 0.5)" />
    <IconButton desk icon="closer" :label="t('tools.closer')" @click="desk.zoom(player.position, 2)" />
    <SeeMenu />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  padding-left: var(--space-2);
  border-left: 1px solid color-mix(in srgb, var(--on-desk) 28%, transparent);
  gap: var(--space-1);
  align-items: center;
}

.snap {
  width: 112px;
  margin-inline: var(--space-1);
  color: var(--on-desk);
}

.snap :deep(.v-field__outline) {
  color: color-mix(in srgb, var(--on-desk) 40%, transparent);
}

@media (max-width: 1100px) {
  .snap {
    width: 84px;
  }
}
</style>
