<script setup lang="ts">
/** Where a lane stands on the desk: further up, further down, folded to a line, off the desk. */
import { computed } from 'vue'
import { useDesk } from '../desk-store'
import { foldLane, moveLane } from './desk-lanes'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
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
    <AppMenu :label="t('lane.place')">
      <template #opener="{ opener: menu }">
        <IconButton v-bind="menu" icon="more" :label="t('lane.place')" data-test="lane-place" />
      </template>
      <MenuItem :disabled="place === 0" data-test="lane-up" @click="move(-1)">{{ t('lane.up') }}</MenuItem>
      <MenuItem :disabled="place === desk.lanes.length - 1" data-test="lane-down" @click="move(1)">
        {{ t('lane.down') }}
      </MenuItem>
      <MenuItem :disabled="!folded && others.every((l) => l.folded)" data-test="lane-fold" @click="fold">
        {{ folded ? t('lane.unfold') : t('lane.fold') }}
      </MenuItem>
      <MenuItem data-test="lane-hide" @click="desk.hideLane(address)">{{ t('lane.hide') }}</MenuItem>
      <p class="soft">{{ t('lane.place.note') }}</p>
    </AppMenu>
  </span>
</template>

<style scoped>
.corner p {
  padding: var(--space-1) var(--space-3);
  font-size: var(--text-1);
}
</style>
