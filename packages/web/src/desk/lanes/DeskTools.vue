<script setup lang="ts">
/** What helps the hand on the desk: the grid that places snap to, and how close the song is seen. */
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { SNAPS, type SnapTo } from './use-snapping'
import SeeMenu from './SeeMenu.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

const desk = useDesk()
const player = usePlayer()
const HANDS = [
  ['points', t('tools.points'), t('tools.points.tip')],
  ['bars', t('tools.bars'), t('tools.bars.tip')],
  ['freehand', t('tools.draw'), t('tools.draw.tip')],
  ['cells', t('tools.cells'), t('tools.cells.tip')],
] as const
const SNAP_NAMES: Readonly<Record<SnapTo, string>> = {
  bar: 'bars',
  beat: 'beats',
  'half-beat': t('tools.snap.half-beat'),
  'quarter-beat': t('tools.snap.quarter-beat'),
  'third-beat': 'triplets',
  section: 'sections',
  region: t('tools.snap.region'),
  onset: t('tools.snap.onset'),
  'any onset': t('tools.snap.any-onset'),
  play: t('tools.snap.play'),
  off: 'nothing',
}
</script>

<template>
  <div class="tools">
    <div class="hands" role="radiogroup" :aria-label="t('tools.label')">
      <RowButton
        v-for="[hand, text, title] in HANDS"
        :key="hand"
        role="radio"
        class="hand"
        :aria-checked="desk.hand === hand"
        :tip="title"
        :data-test="`hand-${hand}`"
        @click="desk.hand = hand"
      >
        {{ text }}
      </RowButton>
    </div>
    <label class="snap">
      <span>{{ t('tools.snap') }}</span>
      <select v-model="desk.grid" :aria-label="t('tools.snap')" @keydown.stop>
        <option v-for="g in SNAPS" :key="g" :value="g">{{ SNAP_NAMES[g] }}</option>
      </select>
    </label>
    <RowButton
      class="zoom"
      :aria-label="t('tools.further')"
      :tip="t('tools.further')"
      @click="desk.zoom(player.position, 0.5)"
    >
      <v-icon icon="$further" size="20" />
    </RowButton>
    <RowButton class="zoom" :aria-label="t('tools.closer')" :tip="t('tools.closer')" @click="desk.zoom(player.position, 2)">
      <v-icon icon="$closer" size="20" />
    </RowButton>
    <SeeMenu />
  </div>
</template>

<style scoped>
.tools {
  display: flex;
  align-items: center;
}

.snap {
  display: flex;
  gap: 4px;
  align-items: center;
  margin-right: 8px;
  font-size: 14px;
}

@media (max-width: 1100px) {
  .hand {
    padding: 0 7px;
  }

  .hands {
    margin-right: 4px;
  }

  .snap {
    margin-right: 0;
  }
}

select {
  width: 104px;
  height: 34px;
  text-overflow: ellipsis;
  border: 0;
  border-radius: 8px;
  background: transparent;
  color: inherit;
  font: inherit;
  font-weight: 620;
}

option {
  background: var(--sheet);
  color: var(--ink);
}

button {
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

button:hover {
  background: color-mix(in srgb, var(--on-desk) 14%, transparent);
}

.hands {
  display: flex;
  margin-right: 12px;
  border: 1px solid color-mix(in srgb, var(--on-desk) 40%, transparent);
  border-radius: 18px;
  overflow: hidden;
}

.hand {
  width: auto;
  height: 34px;
  padding: 0 10px;
  border-radius: 0;
  font: inherit;
  font-size: 14px;
  font-weight: 560;
}

.hand[aria-checked='true'] {
  background: var(--on-desk);
  color: var(--desk);
}

@media (max-width: 1440px) {
  .snap span {
    display: none;
  }
}
</style>
