<script setup lang="ts">
/** Where a lane stands on the desk: further up, further down, folded to a line, off the desk. */
import { computed } from 'vue'
import { useDesk } from '../desk-store'
import { foldLane, moveLane } from './desk-lanes'

const props = defineProps<{ address: string; folded: boolean }>()
const desk = useDesk()

const place = computed(() => desk.lanes.findIndex((l) => l.address === props.address))
const others = computed(() => desk.lanes.filter((l) => l.address !== props.address))
const fold = () => (desk.lanes = foldLane(desk.lanes, props.address, !props.folded))
const move = (by: -1 | 1) => (desk.lanes = moveLane(desk.lanes, props.address, by))
</script>

<template>
  <span v-if="desk.lanes.length > 1" class="corner">
    <v-menu>
      <template #activator="{ props: menu }">
        <button v-bind="menu" aria-label="Place on the desk" title="Place on the desk" data-test="lane-place">
          <v-icon icon="$more" size="18" />
        </button>
      </template>
      <div class="sheet list" role="group" aria-label="Place on the desk">
        <button :disabled="place === 0" data-test="lane-up" @click="move(-1)">Further up</button>
        <button :disabled="place === desk.lanes.length - 1" data-test="lane-down" @click="move(1)">
          Further down
        </button>
        <button :disabled="!folded && others.every((l) => l.folded)" data-test="lane-fold" @click="fold">
          {{ folded ? 'Unfold' : 'Fold to a line' }}
        </button>
        <button data-test="lane-hide" @click="desk.hideLane(address)">Off the desk</button>
        <p class="soft">What is not seen goes on sounding.</p>
      </div>
    </v-menu>
  </span>
</template>

<style scoped>
.corner button {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  margin-top: -6px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  cursor: pointer;
}

.corner button:hover {
  background: var(--wash);
}

.list {
  display: grid;
  padding: 8px;
}

.list button {
  min-height: 36px;
  padding: 0 12px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.list button:hover {
  background: var(--wash);
}

.list button:disabled {
  color: var(--soft);
  cursor: default;
}

.list p {
  padding: 4px 12px;
  font-size: 13px;
}
</style>
