<script setup lang="ts">
/** A long slider for one control: drag, wheel, keys; a double click returns it to its default. */
import { onStep } from '@rudlo/core/scale'
import { computed, ref } from 'vue'
import type { HeldPeak } from '../../engine/peak-hold'
import { useCalm } from '../../engine/calm'
import { nudged, tidied } from '../../editor/tools/nudge'
import { useControlMenu } from './control-menu'
import { useControl } from './use-control'
import { t } from '../../words/t'

const props = defineProps<{
  address: string
  label: string
  /** What comes out, for a meter inside the slider; none if not given. */
  peak?: HeldPeak | undefined
}>()

const { control, value, inCharge, begin, preview, commit, set } = useControl(() => props.address)

/** With Shift the slider follows a tenth of the way. */
const FINE = 0.1
/** Places of the knob: two for each px of a slider that is 400 px long. */
const FINEST = 800

const groove = ref<HTMLElement>()
const held = ref<{ x: number; travel: number } | null>(null)
const travel = computed(() => control.value.scale.toTravel(value.value))
/** As it is seen: no finer than a screen can show it, so that little is drawn for a line that hardly moves. */
const seen = computed(() => Math.round(travel.value * FINEST) / FINEST)
/** As it is told: whoever listens need not be told with every frame. */
const spoken = useCalm(() => ({
  share: Math.round(travel.value * 1000) / 10,
  text: control.value.unit.format(value.value),
}))
/** Where a slider that rests in the middle starts to be filled. */
const origin = computed(() =>
  control.value.scale.min < 0 && control.value.scale.kind === 'linear' ? 0.5 : 0,
)
const fill = computed(() => ({
  transform: `translateX(${Math.min(seen.value, origin.value) * 100}%) scaleX(${Math.abs(seen.value - origin.value)})`,
}))
const neutral = computed(() => `${control.value.scale.toTravel(control.value.neutral) * 100}%`)
/** Place of a level on the meter: −60 dBFS to full scale. */
const share = (dbfs: number) => Math.min(1, Math.max(0, (dbfs + 60) / 60))
const menu = useControlMenu()
const tidy = (to: number) =>
  onStep(control.value, tidied(control.value.scale.kind, control.value.scale.toValue(to)))

function down(event: PointerEvent): void {
  if (event.button !== 0 || !begin()) return
  groove.value!.setPointerCapture(event.pointerId)
  const box = groove.value!.getBoundingClientRect()
  const at = (event.clientX - box.left) / box.width
  // a press near the knob takes it; one elsewhere brings it there
  const start = Math.abs(at - travel.value) * box.width < 14 ? travel.value : Math.min(1, Math.max(0, at))
  held.value = { x: event.clientX, travel: start }
  if (start !== travel.value) preview(tidy(start))
}

function move(event: PointerEvent): void {
  if (!held.value) return
  const { width } = groove.value!.getBoundingClientRect()
  const events = event.getCoalescedEvents?.() ?? []
  for (const { clientX, timeStamp } of events.length ? events : [event]) {
    const way = (clientX - held.value.x) / width
    const to = held.value.travel + way * (event.shiftKey ? FINE : 1)
    preview(tidy(Math.min(1, Math.max(0, to))), timeStamp)
  }
}

function up(): void {
  if (!held.value) return
  held.value = null
  commit()
}

function wheel(event: WheelEvent): void {
  event.preventDefault()
  set(nudged(control.value, value.value, event.deltaY < 0 ? 1 : -1, event.shiftKey))
}

const STEPS: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }

function key(event: KeyboardEvent): void {
  const step = STEPS[event.key]
  if (step) set(nudged(control.value, value.value, step, event.shiftKey))
  else if (event.key === 'Home' || event.key === 'Backspace') set(control.value.initial)
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div
    ref="groove"
    class="slider"
    :class="[control.family, { following: inCharge, held }]"
    role="slider"
    tabindex="0"
    :aria-label="label"
    :aria-valuenow="spoken.share"
    aria-valuemin="0"
    aria-valuemax="100"
    :aria-valuetext="spoken.text + (inCharge ? t('control.in-charge') : '')"
    :title="`${label}: ${spoken.text}${inCharge ? t('control.in-charge.tip') : ''}`"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @pointercancel="up"
    @dblclick="set(control.initial)"
    @wheel="wheel"
    @keydown="key"
    @contextmenu.prevent="menu.open(address, $event)"
  >
    <span class="groove">
      <span class="fill" :style="fill" />
      <span class="neutral" :style="{ left: neutral }" />
      <template v-if="peak">
        <span
          class="meter"
          :class="{ over: peak.over }"
          :style="{ transform: `scaleX(${share(peak.now)})` }"
        />
        <span
          v-if="peak.held > -60"
          class="held-peak"
          :style="{ transform: `translateX(${share(peak.held) * 100}%)` }"
        />
      </template>
    </span>
    <span v-if="peak?.over" class="over-sign">{{ t('control.over') }}</span>
    <span class="runner" :style="{ transform: `translateX(${seen * 100}%)` }"><span class="knob" /></span>
  </div>
</template>

<style scoped>
.slider {
  position: relative;
  height: max(34px, var(--target));
  min-width: 60px;
  cursor: pointer;
  touch-action: none;
  /* a drag takes the knob, and nothing is chosen or carried off by it */
  user-select: none;
}

.groove {
  position: absolute;
  inset: calc(50% - 4px) 0 auto;
  height: 8px;
  border-radius: 4px;
  background: var(--wash);
  overflow: hidden;
  pointer-events: none;
}

.fill {
  position: absolute;
  inset: 0;
  transform-origin: left;
  background: color-mix(in srgb, var(--family-volume) 32%, transparent);
}

/* what a line moves with every frame */
.following .fill,
.following .runner {
  will-change: transform;
}

.pan .fill {
  background: color-mix(in srgb, var(--family-pan) 38%, transparent);
}

.send .fill {
  background: color-mix(in srgb, var(--family-send) 34%, transparent);
}

.effect .fill {
  background: color-mix(in srgb, var(--family-effect) 38%, transparent);
}

.meter {
  position: absolute;
  bottom: 0;
  left: 0;
  width: 100%;
  transform-origin: left;
  height: 4px;
  background: var(--good);
}

.meter.over {
  background: var(--warm);
}

/* as wide as the groove: its left edge is moved by a share of it */
.held-peak {
  position: absolute;
  inset: 0 auto 0 -2px;
  width: 100%;
  border-left: 2px solid var(--ink);
}

.over-sign {
  position: absolute;
  top: -3px;
  right: 0;
  padding: 0 5px;
  border-radius: 5px;
  background: var(--warm);
  color: var(--sheet);
  font-size: 11px;
  font-weight: 700;
  pointer-events: none;
}

.neutral {
  position: absolute;
  inset-block: 0;
  width: 2px;
  background: var(--soft);
  opacity: 0.6;
}

.runner {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

.knob {
  position: absolute;
  top: calc(50% - 12px);
  width: 12px;
  height: 24px;
  margin-left: -6px;
  border: 2px solid var(--sheet);
  border-radius: 6px;
  background: var(--family-volume);
}

.pan .knob {
  background: var(--family-pan);
}

.send .knob {
  background: var(--family-send);
}

.effect .knob {
  background: var(--family-effect);
}

/* a line moves it: the knob is hollow, like a hand that is not there */
.following .knob {
  border: 2px dashed var(--ink);
  background: var(--sheet);
}

.held .knob {
  outline: 2px solid var(--ink);
}
</style>
