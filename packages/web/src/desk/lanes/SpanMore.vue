<script setup lang="ts">
/** The rarer things that can be done with bars: turn, smooth, stretch, move, repeat, clear. */
import {
  clearSpan,
  mirrorSpan,
  moveRest,
  moveSpan,
  repeatSpan,
  rhythmSpan,
  scaleSpan,
  smoothSpan,
  stretchSpan,
  thinSpan,
  tiltSpan,
  valueAt,
} from '@rudlo/core/envelope'
import { computed, ref } from 'vue'
import { FORMS } from '../../editor/lane/forms'
import { usePass } from '../pass/pass-store'
import { useDesk, EDGES } from '../desk-store'
import { useSpanActions } from './span-actions'
import { keepKeys } from '../../ui/keep-keys'

const desk = useDesk()
const pass = usePass()
const { here, act } = useSpanActions()

const span = computed(() => desk.selection!)
const length = computed(() => span.value.to - span.value.from)
const end = computed(() => desk.song!.length)
const isSwitch = computed(() => here.value?.control.scale.kind === 'switch')
const times = ref(1)
const edge = () => desk.edge(span.value)
const lengths = computed(() => desk.time!.meter.lengthsAt(span.value.from))

const scaled = (factor: number) =>
  act(factor > 1 ? 'Made moves larger' : 'Made moves smaller', ({ points, control: { scale } }) =>
    scaleSpan(points, scale, span.value, factor, edge()),
  )
const turned = () =>
  act('Turned upside down', ({ points, control: { scale } }) =>
    scaleSpan(points, scale, span.value, -1, edge()),
  )
const mirrored = () =>
  act('Turned round', ({ points, control: { scale } }) => mirrorSpan(points, scale, span.value))
const tilted = (sign: 1 | -1) =>
  act(sign > 0 ? 'Tilted up' : 'Tilted down', ({ points, control: { scale } }) =>
    tiltSpan(points, scale, span.value, sign * (scale.kind === 'level' ? 3 : 0.1), edge()),
  )
const smoothed = () =>
  act('Smoothed', ({ points, control: { scale } }) => smoothSpan(points, scale, span.value))
const thinned = () => act('Thinned', ({ points, control: { scale } }) => thinSpan(points, scale, span.value))
const cleared = () => act('Cleared', ({ points, control: { scale } }) => clearSpan(points, scale, span.value))

function stretched(factor: number): void {
  const next = Math.min(end.value - span.value.from, Math.round(length.value * factor))
  const step = act(
    factor > 1 ? 'Stretched' : 'Shortened',
    ({ points, control: { scale } }) => stretchSpan(points, scale, span.value, next),
    span.value.from,
    span.value.from + Math.max(next, length.value),
  )
  if (step) desk.select({ from: span.value.from, to: span.value.from + next })
}

function moved(by: number): void {
  const step = act(
    by > 0 ? 'Moved later' : 'Moved earlier',
    ({ points, control: { scale } }) => moveSpan(points, scale, span.value, by, end.value),
    Math.max(0, span.value.from + Math.min(0, by)),
    span.value.to + Math.max(0, by),
  )
  const shift = Math.min(end.value - span.value.to, Math.max(-span.value.from, by))
  if (step) desk.select({ from: span.value.from + shift, to: span.value.to + shift })
}

const movedRest = (by: number) =>
  act(
    by > 0 ? 'Moved later, with everything after' : 'Moved earlier, with everything after',
    ({ points, control: { scale } }) => moveRest(points, scale, span.value.from, by, end.value),
    Math.max(0, span.value.from + Math.min(0, by)),
    end.value,
  )
const repeated = () =>
  act(
    `Repeated ${times.value} times`,
    ({ points, control: { scale } }) => repeatSpan(points, scale, span.value, times.value, end.value),
    span.value.to,
    Math.min(end.value, span.value.to + times.value * length.value),
  )

/** Rhythms of half beats, as a pupil would clap them. */
const RHYTHMS: readonly { readonly name: string; readonly pattern: readonly boolean[] }[] = [
  { name: 'every other half beat', pattern: [true, false] },
  { name: 'on the beat, twice short', pattern: [true, true, false, false] },
  { name: 'off the beat', pattern: [false, true] },
  { name: 'long, short, short', pattern: [true, true, true, false, true, false, true, false] },
]
const rhythm = (pattern: readonly boolean[]) =>
  act('A rhythm', ({ points, control: { scale } }) => {
    const on =
      scale.kind === 'switch' ? scale.max : Math.max(scale.min, valueAt(points, scale, span.value.from))
    return rhythmSpan(points, scale, span.value, lengths.value.beat / 2, pattern, [on, scale.min])
  })
</script>

<template>
  <v-menu :close-on-content-click="false" max-height="520">
    <template #activator="{ props: menu }">
      <button v-bind="menu" class="chip" data-test="span-more">
        more<v-icon icon="$choose" size="18" />
      </button>
    </template>
    <div class="sheet more" role="group" aria-label="More to do with these bars">
      <template v-if="!isSwitch">
        <h3>Size</h3>
        <p>
          <button @click="scaled(1.5)">larger</button><button @click="scaled(1 / 1.5)">smaller</button>
          <button data-test="tilt-up" @click="tilted(1)">tilt up</button
          ><button @click="tilted(-1)">tilt down</button>
          <button @click="turned">upside down</button>
        </p>
        <h3>Form</h3>
        <p>
          <button data-test="smooth" @click="smoothed">smooth</button>
          <button data-test="thin" @click="thinned">fewer points</button>
        </p>
      </template>
      <h3>Time</h3>
      <p>
        <button data-test="turn-round" @click="mirrored">turn round</button>
        <button data-test="twice-as-long" @click="stretched(2)">twice as long</button>
        <button @click="stretched(0.5)">half as long</button>
      </p>
      <h3>Move</h3>
      <p>
        <button @click="moved(-lengths.beat)">a beat earlier</button>
        <button @click="moved(lengths.beat)">a beat later</button>
        <button @click="moved(-lengths.bar)">a bar earlier</button>
        <button data-test="bar-later" @click="moved(lengths.bar)">a bar later</button>
      </p>
      <h3>Move, with everything after</h3>
      <p>
        <button @click="movedRest(-lengths.bar)">a bar earlier</button>
        <button data-test="rest-later" @click="movedRest(lengths.bar)">a bar later</button>
      </p>
      <h3>Repeat</h3>
      <p>
        <label
          ><input
            v-model.number="times"
            type="number"
            min="1"
            max="64"
            aria-label="How many times"
            @keydown="keepKeys"
          />
          times</label
        >
        <button data-test="repeat" @click="repeated">repeat after it</button>
      </p>
      <h3>Rhythm</h3>
      <p>
        <button v-for="r in RHYTHMS" :key="r.name" @click="rhythm(r.pattern)">{{ r.name }}</button>
      </p>
      <template v-if="!isSwitch">
        <h3>How a fade, build or sweep gets there</h3>
        <p class="edges">
          <label><input v-model="desk.way" type="radio" name="way" :value="-1" /> as usual</label>
          <label v-for="(f, i) in FORMS" :key="f.text"
            ><input v-model="desk.way" type="radio" name="way" :value="i" /> {{ f.text }}</label
          >
        </p>
      </template>
      <h3>Edges of what is raised or made larger</h3>
      <p class="edges">
        <label v-for="(e, i) in EDGES" :key="e.text"
          ><input v-model="desk.edgeKind" type="radio" name="edge" :value="i" /> {{ e.text }}</label
        >
      </p>
      <h3>By hand, while it plays</h3>
      <p>
        <button title="Plays from two bars before; what you hold is written" @click="pass.repair(span)">
          repair this spot
        </button>
      </p>
      <h3>Take away</h3>
      <p><button data-test="clear-span" @click="cleared">clear these bars</button></p>
    </div>
  </v-menu>
</template>

<style scoped>
.more {
  display: grid;
  width: 380px;
  padding: 12px 14px;
  overflow-y: auto;
}

h3 {
  margin-top: 8px;
  color: var(--soft);
  font-size: 13px;
  font-weight: 560;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}

button {
  min-height: 32px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 9px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  font-size: 14px;
  cursor: pointer;
}

button:hover {
  border-color: var(--ink);
}

label {
  display: flex;
  gap: 5px;
  align-items: center;
  min-height: 32px;
  margin-right: 6px;
  font-size: 14px;
}

input[type='number'] {
  width: 56px;
  height: 32px;
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
}
</style>
