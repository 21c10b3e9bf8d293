<script setup lang="ts">
/** One track out as another comes in, over the bars that are selected: one action on both. */
import { makeCrossing } from '@rudlo/core/envelope'
import { laneAt, trackLevel, withPoints } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'
import { useDesk } from '../desk-store'
import { useSpanActions } from './span-actions'

const desk = useDesk()
const work = useWork()
const { where } = useSpanActions()

const open = ref(false)
const way = ref<'power' | 'gain'>('power')
const leaves = computed(() => desk.song!.tracks.find((track) => trackLevel(track.id) === desk.address)!)
const others = computed(() => desk.song!.tracks.filter((track) => track !== leaves.value))
const ways = [
  { value: 'power', text: t('cross.power'), about: t('cross.power.about') },
  { value: 'gain', text: t('cross.gain'), about: t('cross.gain.about') },
] as const

/** Both lines in a box of 64 by 32: who leaves, and who comes. */
const PICTURES = {
  power: ['M2 4C30 5 52 12 62 30', 'M2 30C12 12 34 5 62 4'],
  gain: ['M2 4C20 8 46 14 62 30', 'M2 30C18 14 44 8 62 4'],
} as const

function cross(comes: string): void {
  open.value = false
  const span = desk.selection
  if (!span) return
  const lanes = [desk.address, trackLevel(comes)] as const
  const closed = lanes.find((lane) => !desk.isOpen(lane))
  if (closed) {
    const track = desk.song!.tracks.find((one) => trackLevel(one.id) === closed)
    return void (work.notice = t('bars.locked', { lane: track?.name ?? '' }))
  }
  const name = (id: string) => desk.song!.tracks.find((track) => track.id === id)?.name ?? ''
  work.setMix(
    (mix) => {
      const [out, into] = lanes.map((lane) => laneAt(mix, lane)!.points) as [never, never]
      const made = makeCrossing(out, into, span, way.value)
      const left = withPoints(mix, lanes[0], made.leaves, () => crypto.randomUUID())
      return withPoints(left, lanes[1], made.comes, () => crypto.randomUUID())
    },
    {
      label: t('cross.did', { a: leaves.value.name, b: name(comes), where: where.value.toLowerCase() }),
      lanes: [...lanes],
      from: span.from,
      to: span.to,
    },
  )
  desk.showBeside(lanes[1])
}
</script>

<template>
  <AppMenu v-model="open" stays :label="t('cross.title')">
    <template #opener="{ opener }">
      <AppButton small v-bind="opener" data-test="cross">
        <svg class="small-picture" viewBox="0 0 64 32" aria-hidden="true">
          <path v-for="d in PICTURES.power" :key="d" :d="d" /></svg
        >{{ t('cross.open') }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="cross">
      <p>{{ t('cross.leaves', { name: leaves.name }) }}</p>
      <svg viewBox="0 0 64 32" aria-hidden="true"><path v-for="d in PICTURES[way]" :key="d" :d="d" /></svg>
      <div class="tracks" role="group" :aria-label="t('cross.title')">
        <AppButton
          v-for="track in others"
          :key="track.id"
          small
          :data-test="`cross-${track.id}`"
          @click="cross(track.id)"
          >{{ track.name }}</AppButton
        >
      </div>
      <RadioList v-model="way" :label="t('cross.way')" :choices="ways" />
    </div>
  </AppMenu>
</template>

<style scoped>
.cross {
  display: grid;
  gap: var(--space-2);
  width: 320px;
}

.tracks {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
}

svg {
  width: 128px;
  height: 64px;
}

.small-picture {
  width: 28px;
  height: 16px;
  margin-right: var(--space-1);
}

path {
  fill: none;
  stroke: currentColor;
  stroke-width: 3;
}

path + path {
  stroke-dasharray: 6 4;
}
</style>
