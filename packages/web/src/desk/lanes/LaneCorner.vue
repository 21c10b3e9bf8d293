<script setup lang="ts">
/** Where a lane stands on the desk: further up, further down, folded to a line, off the desk. */
import { computed } from 'vue'
import { useDesk } from '../desk-store'
import { foldLane, moveLane } from './desk-lanes'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

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
        <RowButton v-bind="menu" :aria-label="t('lane.place')" :tip="t('lane.place')" data-test="lane-place">
          <v-icon icon="$more" size="18" />
        </RowButton>
      </template>
      <div class="sheet list" role="group" :aria-label="t('lane.place')">
        <MenuItem :disabled="place === 0" data-test="lane-up" @click="move(-1)">{{ t('lane.up') }}</MenuItem>
        <MenuItem :disabled="place === desk.lanes.length - 1" data-test="lane-down" @click="move(1)">
          {{ t('lane.down') }}
        </MenuItem>
        <MenuItem :disabled="!folded && others.every((l) => l.folded)" data-test="lane-fold" @click="fold">
          {{ folded ? t('lane.unfold') : t('lane.fold') }}
        </MenuItem>
        <MenuItem data-test="lane-hide" @click="desk.hideLane(address)">{{ t('lane.hide') }}</MenuItem>
        <p class="soft">{{ t('lane.place.note') }}</p>
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
