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
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import { t } from '../../words/t'

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
  act(factor > 1 ? t('bars.did.larger') : t('bars.did.smaller'), ({ points, control: { scale } }) =>
    scaleSpan(points, scale, span.value, factor, edge()),
  )
const turned = () =>
  act(t('bars.did.turned'), ({ points, control: { scale } }) =>
    scaleSpan(points, scale, span.value, -1, edge()),
  )
const mirrored = () =>
  act(t('bars.did.mirrored'), ({ points, control: { scale } }) => mirrorSpan(points, scale, span.value))
const tilted = (sign: 1 | -1) =>
  act(sign > 0 ? t('bars.did.tilted-up') : t('bars.did.tilted-down'), ({ points, control: { scale } }) =>
    tiltSpan(points, scale, span.value, sign * (scale.kind === 'level' ? 3 : 0.1), edge()),
  )
const smoothed = () =>
  act(t('bars.did.smoothed'), ({ points, control: { scale } }) => smoothSpan(points, scale, span.value))
const thinned = () => act(t('bars.did.thinned'), ({ points, control: { scale } }) => thinSpan(points, scale, span.value))
const cleared = () => act(t('bars.did.cleared'), ({ points, control: { scale } }) => clearSpan(points, scale, span.value))

function stretched(factor: number): void {
  const next = Math.min(end.value - span.value.from, Math.round(length.value * factor))
  const step = act(
    factor > 1 ? t('bars.did.stretched') : t('bars.did.shortened'),
    ({ points, control: { scale } }) => stretchSpan(points, scale, span.value, next),
    span.value.from,
    span.value.from + Math.max(next, length.value),
  )
  if (step) desk.select({ from: span.value.from, to: span.value.from + next })
}

function moved(by: number): void {
  const step = act(
    by > 0 ? t('bars.did.later') : t('bars.did.earlier'),
    ({ points, control: { scale } }) => moveSpan(points, scale, span.value, by, end.value),
    Math.max(0, span.value.from + Math.min(0, by)),
    span.value.to + Math.max(0, by),
  )
  const shift = Math.min(end.value - span.value.to, Math.max(-span.value.from, by))
  if (step) desk.select({ from: span.value.from + shift, to: span.value.to + shift })
}

const movedRest = (by: number) =>
  act(
    by > 0 ? t('bars.did.rest-later') : t('bars.did.rest-earlier'),
    ({ points, control: { scale } }) => moveRest(points, scale, span.value.from, by, end.value),
    Math.max(0, span.value.from + Math.min(0, by)),
    end.value,
  )
const repeated = () =>
  act(
    t('bars.did.repeated', { n: times.value }),
    ({ points, control: { scale } }) => repeatSpan(points, scale, span.value, times.value, end.value),
    span.value.to,
    Math.min(end.value, span.value.to + times.value * length.value),
  )

/** Rhythms of half beats, as a pupil would clap them. */
const RHYTHMS: readonly { readonly name: string; readonly pattern: readonly boolean[] }[] = [
  { name: t('bars.rhythm.every-other'), pattern: [true, false] },
  { name: t('bars.rhythm.twice'), pattern: [true, true, false, false] },
  { name: t('bars.rhythm.off-beat'), pattern: [false, true] },
  { name: 'long, short, short', pattern: [true, true, true, false, true, false, true, false] },
]
const rhythm = (pattern: readonly boolean[]) =>
  act(t('bars.did.rhythm'), ({ points, control: { scale } }) => {
    const on =
      scale.kind === 'switch' ? scale.max : Math.max(scale.min, valueAt(points, scale, span.value.from))
    return rhythmSpan(points, scale, span.value, lengths.value.beat / 2, pattern, [on, scale.min])
  })
</script>

<template>
  <v-menu :close-on-content-click="false" max-height="520">
    <template #activator="{ props: menu }">
      <AppButton small v-bind="menu" data-test="span-more">
        {{ t('bars.more') }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="sheet more" role="group" :aria-label="t('bars.more.label')">
      <template v-if="!isSwitch">
        <h3>{{ t('bars.size') }}</h3>
        <p>
          <MenuItem @click="scaled(1.5)">{{ t('bars.larger') }}</MenuItem><MenuItem @click="scaled(1 / 1.5)">{{ t('bars.smaller') }}</MenuItem>
          <MenuItem data-test="tilt-up" @click="tilted(1)">{{ t('bars.tilt-up') }}</MenuItem><MenuItem @click="tilted(-1)">{{ t('bars.tilt-down') }}</MenuItem>
          <MenuItem @click="turned">{{ t('bars.turn') }}</MenuItem>
        </p>
        <h3>{{ t('bars.form') }}</h3>
        <p>
          <MenuItem data-test="smooth" @click="smoothed">{{ t('bars.smooth') }}</MenuItem>
          <MenuItem data-test="thin" @click="thinned">{{ t('bars.thin') }}</MenuItem>
        </p>
      </template>
      <h3>{{ t('bars.time') }}</h3>
      <p>
        <MenuItem data-test="turn-round" @click="mirrored">{{ t('bars.mirror') }}</MenuItem>
        <MenuItem data-test="twice-as-long" @click="stretched(2)">{{ t('bars.twice') }}</MenuItem>
        <MenuItem @click="stretched(0.5)">{{ t('bars.half') }}</MenuItem>
      </p>
      <h3>{{ t('bars.move') }}</h3>
      <p>
        <MenuItem @click="moved(-lengths.beat)">{{ t('bars.beat-earlier') }}</MenuItem>
        <MenuItem @click="moved(lengths.beat)">{{ t('bars.beat-later') }}</MenuItem>
        <MenuItem @click="moved(-lengths.bar)">{{ t('bars.bar-earlier') }}</MenuItem>
        <MenuItem data-test="bar-later" @click="moved(lengths.bar)">{{ t('bars.bar-later') }}</MenuItem>
      </p>
      <h3>{{ t('bars.rest') }}</h3>
      <p>
        <MenuItem @click="movedRest(-lengths.bar)">{{ t('bars.bar-earlier') }}</MenuItem>
        <MenuItem data-test="rest-later" @click="movedRest(lengths.bar)">{{ t('bars.bar-later') }}</MenuItem>
      </p>
      <h3>{{ t('bars.repeat') }}</h3>
      <p>
        <label
          ><input
            v-model.number="times"
            type="number"
            min="1"
            max="64"
            :aria-label="t('bars.repeat.times')"
            @keydown="keepKeys"
          />
          times</label
        >
        <MenuItem data-test="repeat" @click="repeated">{{ t('bars.repeat.do') }}</MenuItem>
      </p>
      <h3>{{ t('bars.rhythm') }}</h3>
      <p>
        <MenuItem v-for="r in RHYTHMS" :key="r.name" @click="rhythm(r.pattern)">{{ r.name }}</MenuItem>
      </p>
      <template v-if="!isSwitch">
        <h3>{{ t('bars.way') }}</h3>
        <p class="edges">
          <label><input v-model="desk.way" type="radio" name="way" :value="-1" /> {{ t('bars.way.usual') }}</label>
          <label v-for="(f, i) in FORMS" :key="f.text"
            ><input v-model="desk.way" type="radio" name="way" :value="i" /> {{ f.text }}</label
          >
        </p>
      </template>
      <h3>{{ t('bars.edges') }}</h3>
      <p class="edges">
        <label v-for="(e, i) in EDGES" :key="e.text"
          ><input v-model="desk.edgeKind" type="radio" name="edge" :value="i" /> {{ e.text }}</label
        >
      </p>
      <h3>{{ t('bars.by-hand') }}</h3>
      <p>
        <MenuItem :tip="t('bars.by-hand.tip')" @click="pass.repair(span)">
          {{ t('bars.by-hand.do') }}
        </MenuItem>
      </p>
      <h3>{{ t('bars.away') }}</h3>
      <p><MenuItem data-test="clear-span" @click="cleared">{{ t('bars.clear') }}</MenuItem></p>
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
