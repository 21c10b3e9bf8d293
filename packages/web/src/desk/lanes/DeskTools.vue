<script setup lang="ts">
/** What helps the hand on the desk: the grid that places snap to, and how close the song is seen. */
import { usePlayer } from '../../engine/player-store'
import { useDesk } from '../desk-store'
import { SNAPS, type SnapTo } from './use-snapping'
import SeeMenu from './SeeMenu.vue'

const desk = useDesk()
const player = usePlayer()
const HANDS = [
  ['points', 'Points', 'Set and move single points (1)'],
  ['bars', 'Bars', 'Select bars, and raise, fade, copy them (2)'],
  ['freehand', 'Draw', 'Draw the line with your hand (3)'],
  ['cells', 'Cells', 'Give each beat, half beat or bar a value of its own (4)'],
] as const
const SNAP_NAMES: Readonly<Record<SnapTo, string>> = {
  bar: 'bars',
  beat: 'beats',
  'half-beat': 'half beats',
  'quarter-beat': 'quarters of beats',
  'third-beat': 'triplets',
  section: 'sections',
  region: 'ends of regions',
  onset: 'where it begins to sound',
  'any onset': 'where any sound begins',
  play: 'the play position',
  off: 'nothing',
}
</script>

<template>
  <div class="tools">
    <div class="hands" role="radiogroup" aria-label="What the hand does">
      <button
        v-for="[hand, text, title] in HANDS"
        :key="hand"
        role="radio"
        class="hand"
        :aria-checked="desk.hand === hand"
        :title="title"
        :data-test="`hand-${hand}`"
        @click="desk.hand = hand"
      >
        {{ text }}
      </button>
    </div>
    <label class="snap">
      <span>Snap to</span>
      <select v-model="desk.grid" aria-label="Snap to" @keydown.stop>
        <option v-for="g in SNAPS" :key="g" :value="g">{{ SNAP_NAMES[g] }}</option>
      </select>
    </label>
    <button
      class="zoom"
      aria-label="See more of the song"
      title="See more of the song"
      @click="desk.zoom(player.position, 0.5)"
    >
      <v-icon icon="$further" size="20" />
    </button>
    <button class="zoom" aria-label="See closer" title="See closer" @click="desk.zoom(player.position, 2)">
      <v-icon icon="$closer" size="20" />
    </button>
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
