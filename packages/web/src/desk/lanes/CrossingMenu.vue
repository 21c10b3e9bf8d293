<script setup lang="ts">
/** One track out as another comes in, over the bars that are selected: one action on both. */
import { makeCrossing } from '@rudlo/core/envelope'
import { laneAt, trackLevel, withPoints } from '@rudlo/core/mix'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import LinePicture from '../../ui/marks/LinePicture.vue'
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
const meant = computed(() => others.value.find((track) => desk.task?.lanes.includes(trackLevel(track.id))))
const ways = [
  { value: 'power', text: t('cross.power'), about: t('cross.power.about') },
  { value: 'gain', text: t('cross.gain'), about: t('cross.gain.about') },
] as const

/** Both lines: who leaves, and who comes. */
const PICTURES = {
  power: ['M2 3C13 3 19 6 22 14', 'M2 14C5 6 11 3 22 3'],
  gain: ['M2 3C9 5 18 8 22 14', 'M2 14C6 8 15 5 22 3'],
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
  <!-- the other track of the task is the one that is meant -->
  <AppButton v-if="meant" small data-test="cross-meant" @click="cross(meant.id)">
    <LinePicture class="before" :paths="PICTURES.power" />{{
      t('cross.at-once', { a: leaves.name, b: meant.name })
    }}
  </AppButton>
  <AppMenu v-model="open" stays :label="t('cross.title')">
    <template #opener="{ opener }">
      <IconButton v-if="meant" v-bind="opener" icon="choose" :label="t('cross.other')" data-test="cross" />
      <AppButton v-else small v-bind="opener" data-test="cross">
        <LinePicture class="before" :paths="PICTURES.power" />{{ t('cross.open')
        }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="cross">
      <p>{{ t('cross.leaves', { name: leaves.name }) }}</p>
      <LinePicture class="large" :paths="PICTURES[way]" />
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

.large {
  width: 120px;
  height: 80px;
}

.before {
  margin-right: var(--space-1);
}
</style>
