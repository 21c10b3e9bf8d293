<script setup lang="ts">
/** The lanes on the student's desk, one to four of them, and what can be done with the bars that are selected. */
import { laneName } from '@rudlo/core/assess'
import { computed, ref } from 'vue'
import { useWork } from '../../document/work-store'
import { useDesk } from '../desk-store'
import { foldLane, resizeLane } from './desk-lanes'
import DeskLane from './DeskLane.vue'
import { provideLanesBeside } from './lanes-beside'
import { useFingerRoom } from './finger-room'
import LaneCorner from './LaneCorner.vue'
import SpanBar from './SpanBar.vue'
import { t } from '../../words/t'

const desk = useDesk()
const work = useWork()

provideLanesBeside()
const area = ref<HTMLElement>()
useFingerRoom(area)
const bar = ref<InstanceType<typeof SpanBar>>()
const compact = computed(() => desk.lanes.length > 1)
const rows = computed(() =>
  desk.lanes.map((l) => (l.folded ? '36px' : `minmax(0, ${l.share.toFixed(3)}fr)`)).join(' '),
)
const nameOf = (address: string) => laneName(desk.song!, work.mix!, address)
/** Whether a lane can be dragged to another height: it is open, and so is one below it. */
const resizable = (i: number) => !desk.lanes[i]!.folded && desk.lanes.some((l, k) => k > i && !l.folded)

let held: { address: string; y: number } | null = null

function grab(event: PointerEvent, address: string): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held = { address, y: event.clientY }
}

function drag(event: PointerEvent): void {
  if (!held || !area.value) return
  desk.lanes = resizeLane(desk.lanes, held.address, (event.clientY - held.y) / area.value.clientHeight)
  held.y = event.clientY
}

function key(event: KeyboardEvent, address: string): void {
  const by = { ArrowUp: -0.05, ArrowDown: 0.05 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  desk.lanes = resizeLane(desk.lanes, address, by)
}
</script>

<template>
  <div class="sheet desk">
    <div ref="area" class="lanes" :style="{ gridTemplateRows: rows }">
      <div v-for="(l, i) in desk.lanes" :key="l.address" class="place" :data-test="`on-desk-${l.address}`">
        <div v-if="l.folded" class="folded">
          <b>{{ nameOf(l.address) }}</b>
          <span class="soft">{{ t('lane.folded') }}</span>
          <LaneCorner :address="l.address" :folded="true" />
        </div>
        <DeskLane
          v-else
          class="lane"
          :address="l.address"
          :active="l.address === desk.address"
          :compact="compact"
          @act="bar?.focus()"
        />
        <div
          v-if="resizable(i)"
          class="edge"
          role="separator"
          tabindex="0"
          aria-orientation="horizontal"
          :aria-label="t('lane.height', { lane: nameOf(l.address) })"
          :aria-valuenow="Math.round(l.share * 100)"
          :title="t('lane.height.tip')"
          @pointerdown="grab($event, l.address)"
          @pointermove="drag"
          @pointerup="held = null"
          @pointercancel="held = null"
          @keydown="key($event, l.address)"
          @dblclick="desk.lanes = foldLane(desk.lanes, l.address, true)"
        />
      </div>
    </div>
    <SpanBar v-if="desk.hand === 'bars'" ref="bar" />
  </div>
</template>

<style scoped>
.desk {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-height: 0;
  overflow: hidden;
}

.lanes {
  display: grid;
  flex: 1;
  min-height: 0;
}

.place {
  position: relative;
  min-height: 0;
}

.place + .place {
  border-top: 1px solid var(--rule);
}

.lane {
  height: 100%;
}

.folded {
  display: flex;
  gap: 12px;
  align-items: center;
  height: 36px;
  padding-left: 14px;
  font-size: 14px;
}

.folded > :last-child {
  margin-left: auto;
}

.edge {
  position: absolute;
  z-index: 6;
  right: 0;
  bottom: -5px;
  left: 0;
  height: 9px;
  cursor: ns-resize;
  touch-action: none;
  user-select: none;
}

.edge:hover,
.edge:focus-visible {
  background: var(--rule);
}
</style>
