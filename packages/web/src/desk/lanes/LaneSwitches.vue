<script setup lang="ts">
/** What can be done with a whole lane: line on or off, locked, stamped, cleared. */
import { laneControlName } from '@rudlo/core/assess'
import { envelopeOf, resolve, withLane, withPoints } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import RegionMenu from './RegionMenu.vue'
import type { useRegionMoves } from './region-moves'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'

const props = defineProps<{
  address: string
  owner: string
  /** The track whose regions lie behind the lane; null for a return. */
  track: string | null
  moves: ReturnType<typeof useRegionMoves>
  /** Whether only a part of the values is in view. */
  tall: boolean
}>()
const emit = defineEmits<{ stamp: [as: 'point' | 'jump']; allValues: [] }>()

const desk = useDesk()
const work = useWork()

const envelope = computed(() => envelopeOf(work.mix!, props.address))
const drawn = computed(() => (envelope.value?.points.length ?? 0) > 0)
const change = (label: string) => ({
  label: t('lane.did', {
    what: label,
    control: laneControlName(work.mix!, props.address),
    owner: props.owner,
  }),
  lanes: [props.address],
  from: 0,
  to: desk.song!.length,
})

/** Switches the line off so that the control counts, or on again. */
function switchLine(): void {
  const on = envelope.value?.on === false
  work.setMix(
    (mix) => withLane(mix, props.address, { on }),
    change(on ? t('lane.did.on') : t('lane.did.off')),
  )
}

const clearLane = () => work.setPoints(props.address, [], change(t('lane.did.cleared')))

/** Clears every open line of the track, or of the whole song. */
function clearMany(which: 'track' | 'song'): void {
  const ownerOf = (address: string) => resolve(work.mix!, address)?.owner
  const owner = ownerOf(props.address)
  const lanes = work
    .mix!.envelopes.filter((e) => e.open && e.points.length && desk.isOpen(e.address))
    .filter((e) => which === 'song' || ownerOf(e.address) === owner)
    .map((e) => e.address)
  work.setMix((mix) => lanes.reduce((m, lane) => withPoints(m, lane, [], () => ''), mix), {
    label: which === 'song' ? t('lane.did.cleared-all') : t('lane.did.cleared-track', { owner: props.owner }),
    lanes,
    from: 0,
    to: desk.song!.length,
  })
}
</script>

<template>
  <div class="switches">
    <template v-if="drawn">
      <AppButton
        small
        :aria-pressed="envelope?.on !== false"
        :tip="t('lane.on.tip')"
        data-test="line-on"
        @click="switchLine"
      >
        {{ t(envelope?.on === false ? 'lane.off' : 'lane.on') }}
      </AppButton>
      <AppButton
        small
        :aria-label="t('lane.lock')"
        :tip="t('lane.lock.tip')"
        @click="desk.setOpen(address, false)"
      >
        <v-icon icon="$locked" size="16" />
      </AppButton>
    </template>
    <AppMenu :label="t('lane.stamp.label')">
      <template #opener="{ opener: menu }">
        <AppButton small v-bind="menu" :tip="t('lane.stamp.tip')" data-test="stamp">
          {{ t('lane.stamp') }}
        </AppButton>
      </template>
      <MenuItem data-test="stamp-point" @click="emit('stamp', 'point')">{{ t('lane.stamp.point') }}</MenuItem>
      <MenuItem data-test="stamp-jump" @click="emit('stamp', 'jump')">{{ t('lane.stamp.jump') }}</MenuItem>
    </AppMenu>
    <RegionMenu v-if="track" :track="track" :moves="moves" />
    <AppMenu v-if="drawn" :label="t('lane.clear.label')">
      <template #opener="{ opener: menu }">
        <AppButton small v-bind="menu" data-test="clear-menu">{{ t('lane.clear') }}</AppButton>
      </template>
      <MenuItem data-test="clear-lane" @click="clearLane">{{ t('lane.clear.this') }}</MenuItem>
      <MenuItem @click="clearMany('track')">{{ t('lane.clear.track', { owner }) }}</MenuItem>
      <MenuItem @click="clearMany('song')">{{ t('lane.clear.song') }}</MenuItem>
    </AppMenu>
    <AppButton v-if="tall" small data-test="all-values" @click="emit('allValues')">{{
      t('lane.all-values')
    }}</AppButton>
  </div>
</template>

<style scoped>
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  margin-top: var(--space-1);
}

.switches > :deep(.small) {
  padding-inline: 7px;
}
</style>
