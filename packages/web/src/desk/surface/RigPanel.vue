<script setup lang="ts">
/** The practice rig: a simulated surface. It knows nothing of the desk: it sends and takes MIDI bytes. */
import { useEventListener } from '@vueuse/core'
import { motorBytes, RIG_MAP, STRIPS, SurfaceReader, touchBytes, transportBytes } from '@rudlo/core/surface'
import { onBeforeUnmount, onMounted, ref } from 'vue'
import { internalPort } from './surface-port'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import { t } from '../../words/t'

/** In a window of its own it fills the window, and closing that puts it away. */
defineProps<{ alone?: boolean }>()
const emit = defineEmits<{ close: []; window: [] }>()

const port = internalPort('rig')
const faders = ref<number[]>(Array.from({ length: STRIPS }, () => 0))
const knobs = ref<number[]>(Array.from({ length: STRIPS }, () => 0.5))
const touched = ref<Record<number, boolean>>({})

const reader = new SurfaceReader(RIG_MAP)

/** Active sensing: as long as it comes, the rig is there. */
const SENSING_MS = 250
let sensing: ReturnType<typeof setInterval> | undefined

onMounted(() => {
  const say = () => port.send([0xfe])
  // at once: a window that is closed again soon was there all the same
  say()
  sensing = setInterval(say, SENSING_MS)
  port.listen((bytes) => {
    for (const event of reader.feed(bytes)) {
      // a finger holds its motor
      if (event.kind === 'fader' && !touched.value[event.strip]) faders.value[event.strip] = event.travel
      if (event.kind === 'knob') knobs.value[event.strip] = event.travel
    }
  })
})

function putAway(): void {
  clearInterval(sensing)
  for (const strip of Object.keys(touched.value)) lift(Number(strip))
  port.close()
}

useEventListener(window, 'pagehide', putAway)
onBeforeUnmount(putAway)

const HEIGHT = 72
const held = new Map<number, { y: number; travel: number }>()

function down(event: PointerEvent, strip: number): void {
  ;(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId)
  held.set(strip, { y: event.clientY, travel: faders.value[strip]! })
  touched.value[strip] = true
  port.send(touchBytes(RIG_MAP, strip, true))
}

function slide(strip: number, travel: number): void {
  faders.value[strip] = Math.min(1, Math.max(0, travel))
  port.send(motorBytes(RIG_MAP.faders[strip]!, faders.value[strip]!))
}

function move(event: PointerEvent, strip: number): void {
  const from = held.get(strip)
  if (from) slide(strip, from.travel + (from.y - event.clientY) / HEIGHT)
}

function lift(strip: number): void {
  if (!held.delete(strip)) return
  touched.value[strip] = false
  port.send(touchBytes(RIG_MAP, strip, false))
}

function turn(strip: number, travel: number): void {
  knobs.value[strip] = Math.min(1, Math.max(0, travel))
  port.send(motorBytes(RIG_MAP.knobs[strip]!, knobs.value[strip]!))
}

function key(event: KeyboardEvent, strip: number): void {
  const by = { ArrowUp: 0.02, ArrowRight: 0.02, ArrowDown: -0.02, ArrowLeft: -0.02 }[event.key]
  if (!by) return
  event.preventDefault()
  event.stopPropagation()
  if (!touched.value[strip]) {
    held.set(strip, { y: 0, travel: 0 })
    touched.value[strip] = true
    port.send(touchBytes(RIG_MAP, strip, true))
  }
  slide(strip, faders.value[strip]! + by)
}

const press = (note: { channel: number; note: number } | null) =>
  note && port.send([0x90 | note.channel, note.note, 127, 0x80 | note.channel, note.note, 0])
</script>

<template>
  <section class="rig" :class="{ alone }" :aria-label="t('rig.title')" data-test="rig">
    <header>
      <b>{{ t('rig.title') }}</b>
      <span>
        <AppButton small tone="desk" @click="press(RIG_MAP.back)">{{ t('rig.before') }}</AppButton>
        <AppButton small tone="desk" @click="press(RIG_MAP.forth)">{{ t('rig.after') }}</AppButton>
        <AppButton small tone="desk" data-test="rig-play" @click="port.send(transportBytes(true))">{{
          t('rig.play')
        }}</AppButton>
        <AppButton small tone="desk" data-test="rig-stop" @click="port.send(transportBytes(false))">{{
          t('rig.stop')
        }}</AppButton>
        <AppButton v-if="!alone" small tone="desk" data-test="rig-window" @click="emit('window')">{{
          t('rig.window')
        }}</AppButton>
        <IconButton v-if="!alone" icon="close" :label="t('rig.hide')" desk @click="emit('close')" />
      </span>
    </header>
    <div class="strips">
      <div v-for="(travel, i) in faders" :key="i" class="strip">
        <v-slider
          class="knob"
          :min="0"
          :max="1"
          :step="0.0078"
          :model-value="knobs[i] ?? 0"
          :aria-label="t('rig.knob', { number: i + 1 })"
          hide-details
          thumb-size="12"
          track-size="3"
          @update:model-value="(to: number) => turn(i, to)"
          @keydown.stop
        />
        <div
          class="way"
          role="slider"
          tabindex="0"
          aria-orientation="vertical"
          aria-valuemin="0"
          aria-valuemax="100"
          :aria-valuenow="Math.round(travel * 100)"
          :aria-label="t('rig.fader', { number: i + 1 })"
          :data-test="`rig-fader-${i}`"
          @pointerdown="down($event, i)"
          @pointermove="move($event, i)"
          @pointerup="lift(i)"
          @pointercancel="lift(i)"
          @keydown="key($event, i)"
          @keyup="lift(i)"
        >
          <span class="cap" :class="{ touched: touched[i] }" :style="{ bottom: `${travel * 100}%` }" />
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.rig {
  position: fixed;
  z-index: 30;
  right: 16px;
  bottom: 66px;
  padding: 6px 14px;
  border-radius: 14px;
  background: var(--desk);
  color: var(--on-desk);
  box-shadow: 0 6px 24px rgb(0 0 0 / 30%);
}

.rig.alone {
  position: static;
  display: grid;
  align-content: center;
  justify-content: center;
  min-height: 100vh;
  border-radius: 0;
  box-shadow: none;
}

header {
  display: flex;
  gap: 20px;
  align-items: center;
  justify-content: space-between;
}

header > span {
  display: flex;
  gap: 2px;
  align-items: center;
}

.strips {
  display: flex;
  justify-content: space-between;
  gap: 14px;
  margin-top: 6px;
}

.strip {
  display: grid;
  gap: 4px;
  justify-items: center;
  width: 46px;
}

.knob {
  width: 46px;
  margin: 0;
}

.way {
  position: relative;
  width: 32px;
  height: 72px;
  margin: 8px 0;
  cursor: ns-resize;
  touch-action: none;
  user-select: none;
}

.way::before {
  content: '';
  position: absolute;
  inset: -8px 14px;
  border-radius: 2px;
  background: color-mix(in srgb, var(--on-desk) 30%, transparent);
}

.cap {
  position: absolute;
  left: 1px;
  width: 30px;
  height: 18px;
  margin-bottom: -9px;
  border: 2px solid var(--desk);
  border-radius: 5px;
  background: var(--on-desk);
}

.cap.touched {
  background: var(--warm);
}

.rig :focus-visible {
  outline-color: var(--on-desk);
}
</style>
