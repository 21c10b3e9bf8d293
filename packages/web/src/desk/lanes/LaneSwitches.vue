<script setup lang="ts">
/** What can be done with a whole lane: line on or off, locked, stamped, cleared. */
import { laneControlName } from '@rudlo/core/assess'
import { envelopeOf, resolve, withLane, withPoints } from '@rudlo/core/mix'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import RegionMenu from './RegionMenu.vue'
import type { useRegionMoves } from './region-moves'

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
  label: `${label}, ${laneControlName(work.mix!, props.address)} of ${props.owner}`,
  lanes: [props.address],
  from: 0,
  to: desk.song!.length,
})

/** Switches the line off so that the control counts, or on again. */
function switchLine(): void {
  const on = envelope.value?.on === false
  work.setMix((mix) => withLane(mix, props.address, { on }), change(on ? 'Line on' : 'Line off'))
}

const clearLane = () => work.setPoints(props.address, [], change('Cleared the line'))

/** Clears every open line of the track, or of the whole song. */
function clearMany(which: 'track' | 'song'): void {
  const ownerOf = (address: string) => resolve(work.mix!, address)?.owner
  const owner = ownerOf(props.address)
  const lanes = work
    .mix!.envelopes.filter((e) => e.open && e.points.length && desk.isOpen(e.address))
    .filter((e) => which === 'song' || ownerOf(e.address) === owner)
    .map((e) => e.address)
  work.setMix((mix) => lanes.reduce((m, lane) => withPoints(m, lane, [], () => ''), mix), {
    label: which === 'song' ? 'Cleared all open lines' : `Cleared the lines of ${props.owner}`,
    lanes,
    from: 0,
    to: desk.song!.length,
  })
}
</script>

<template>
  <div class="switches">
    <template v-if="drawn">
      <button
        class="chip"
        :aria-pressed="envelope?.on !== false"
        title="Switch the line off, and the control counts again: to compare"
        data-test="line-on"
        @click="switchLine"
      >
        line {{ envelope?.on === false ? 'off' : 'on' }}
      </button>
      <button
        class="chip"
        aria-label="Lock this lane"
        title="Lock this lane: nothing changes it then"
        @click="desk.setOpen(address, false)"
      >
        <v-icon icon="$locked" size="16" />
      </button>
    </template>
    <v-menu>
      <template #activator="{ props: menu }">
        <button
          v-bind="menu"
          class="chip"
          title="Write the control’s setting at the play position"
          data-test="stamp"
        >
          stamp
        </button>
      </template>
      <div class="sheet menu" role="group" aria-label="Stamp the control’s setting">
        <button data-test="stamp-point" @click="emit('stamp', 'point')">The setting, as a point here</button>
        <button data-test="stamp-jump" @click="emit('stamp', 'jump')">The setting, as a jump here</button>
      </div>
    </v-menu>
    <RegionMenu v-if="track" :track="track" :moves="moves" />
    <v-menu v-if="drawn">
      <template #activator="{ props: menu }">
        <button v-bind="menu" class="chip" data-test="clear-menu">clear</button>
      </template>
      <div class="sheet menu" role="group" aria-label="Take lines away">
        <button data-test="clear-lane" @click="clearLane">This line</button>
        <button @click="clearMany('track')">All open lines of {{ owner }}</button>
        <button @click="clearMany('song')">All open lines</button>
      </div>
    </v-menu>
    <button v-if="tall" class="chip" data-test="all-values" @click="emit('allValues')">all values</button>
  </div>
</template>

<style scoped>
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 8px;
}

.switches > .chip {
  padding-inline: 10px;
}
</style>
