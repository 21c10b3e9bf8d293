<script setup lang="ts">
/** What can be done with the region that is heard: split it, copy it, take it away. */
import { regionEnds } from '@rudlo/core/mix'
import { computed } from 'vue'
import { usePlayer } from '../../engine/player-store'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import type { useRegionMoves } from './region-moves'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'

const props = defineProps<{ track: string; moves: ReturnType<typeof useRegionMoves> }>()

const desk = useDesk()
const work = useWork()
const player = usePlayer()

const regions = computed(() => work.mix!.tracks.find((t) => t.id === props.track)?.regions ?? [])
/** The region at the play position; else the only one there is. */
const here = computed(() => {
  const at = player.position
  const { tempo } = desk.time!
  const heard = regions.value.findLast((r) => {
    const { from, to } = regionEnds(r, tempo)
    return at >= from && at < to
  })
  return heard ?? (regions.value.length === 1 ? regions.value[0]! : null)
})

function split(): void {
  if (here.value) props.moves.split(here.value, props.track, desk.snap(player.position, false))
}
function copy(): void {
  if (here.value)
    props.moves.drop(here.value, props.track, Math.round(player.position) - here.value.start, true)
}
function copyAfter(): void {
  if (!here.value) return
  const { from, to } = regionEnds(here.value, desk.time!.tempo)
  props.moves.drop(here.value, props.track, to - from, true)
}
</script>

<template>
  <AppMenu :label="t('region.label')">
    <template #opener="{ opener: menu }">
      <AppButton small v-bind="menu" data-test="region-menu">{{ t('region.open') }}</AppButton>
    </template>
    <MenuItem :disabled="!here" data-test="region-split" @click="split">{{ t('region.split') }}</MenuItem>
    <MenuItem :disabled="!here" data-test="region-copy" @click="copy">{{ t('region.copy') }}</MenuItem>
    <MenuItem :disabled="!here" @click="copyAfter">{{ t('region.copy-after') }}</MenuItem>
    <MenuItem :disabled="!here" @click="here && moves.remove(here, track)">{{ t('region.remove') }}</MenuItem>
    <MenuItem v-if="moves.remembered()" @click="moves.askAgain()">{{ t('region.ask-again') }}</MenuItem>
    <p class="soft">{{ t('region.note') }}</p>
  </AppMenu>
</template>

<style scoped>
p {
  max-width: 260px;
  padding: var(--space-1) var(--space-3);
  font-size: var(--text-1);
}
</style>
