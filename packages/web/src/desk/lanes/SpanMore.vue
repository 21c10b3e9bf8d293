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
import FormPicture from '../../editor/lane/FormPicture.vue'
import { FORMS } from '../../editor/lane/forms'
import { useWork } from '../../document/work-store'
import { usePass } from '../pass/pass-store'
import { useDesk, EDGES } from '../desk-store'
import { useSpanActions } from './span-actions'
import { keepKeys } from '../../ui/keys/keep-keys'
import AppButton from '../../ui/buttons/AppButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import RadioList from '../../ui/fields/RadioList.vue'
import { t } from '../../words/t'

const desk = useDesk()
const pass = usePass()
const work = useWork()
const { here, act } = useSpanActions()

const span = computed(() => desk.selection!)
const length = computed(() => span.value.to - span.value.from)
const end = computed(() => desk.song!.length)
const isSwitch = computed(() => here.value?.control.scale.kind === 'switch')
const times = ref<number | null>(1)
const ways = [{ value: -1, text: t('bars.way.usual') }, ...FORMS.map((f, value) => ({ value, text: f.text }))]
const edges = EDGES.map((e, value) => ({ value, text: e.text }))
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
/** Fewer points, and how many fewer they are. */
function thinned(): void {
  const count = () => desk.lanes.reduce((sum, l) => sum + (work.envelope(l.address)?.points.length ?? 0), 0)
  const before = count()
  const step = act(t('bars.did.thinned'), ({ points, control: { scale } }) =>
    thinSpan(points, scale, span.value),
  )
  if (!step) return
  const gone = before - count()
  work.notice = gone ? t('bars.thinned', { before, after: before - gone }) : t('bars.thinned.none')
}
const cleared = () =>
  act(t('bars.did.cleared'), ({ points, control: { scale } }) => clearSpan(points, scale, span.value))

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
    t('bars.did.repeated', { n: times.value ?? 1 }),
    ({ points, control: { scale } }) => repeatSpan(points, scale, span.value, times.value ?? 1, end.value),
    span.value.to,
    Math.min(end.value, span.value.to + (times.value ?? 1) * length.value),
  )

/** Rhythms of half beats, as a pupil would clap them. */
const RHYTHMS: readonly { readonly name: string; readonly pattern: readonly boolean[] }[] = [
  { name: t('bars.rhythm.every-other'), pattern: [true, false] },
  { name: t('bars.rhythm.twice'), pattern: [true, true, false, false] },
  { name: t('bars.rhythm.off-beat'), pattern: [false, true] },
  { name: t('bars.rhythm.long-short'), pattern: [true, true, true, false, true, false, true, false] },
]
const rhythm = (pattern: readonly boolean[]) =>
  act(t('bars.did.rhythm'), ({ points, control: { scale } }) => {
    const on =
      scale.kind === 'switch' ? scale.max : Math.max(scale.min, valueAt(points, scale, span.value.from))
    return rhythmSpan(points, scale, span.value, lengths.value.beat / 2, pattern, [on, scale.min])
  })
</script>

<template>
  <AppMenu stays :label="t('bars.more.label')">
    <template #opener="{ opener: menu }">
      <AppButton small v-bind="menu" data-test="span-more">
        {{ t('bars.more') }}<v-icon icon="$choose" size="18" />
      </AppButton>
    </template>
    <div class="more">
      <template v-if="!isSwitch">
        <h3>{{ t('bars.size') }}</h3>
        <p>
          <AppButton small @click="scaled(1.5)">{{ t('bars.larger') }}</AppButton
          ><AppButton small @click="scaled(1 / 1.5)">{{ t('bars.smaller') }}</AppButton>
          <AppButton small data-test="tilt-up" @click="tilted(1)">{{ t('bars.tilt-up') }}</AppButton
          ><AppButton small @click="tilted(-1)">{{ t('bars.tilt-down') }}</AppButton>
          <AppButton small @click="turned">{{ t('bars.turn') }}</AppButton>
        </p>
        <h3>{{ t('bars.form') }}</h3>
        <p>
          <AppButton small data-test="smooth" @click="smoothed">{{ t('bars.smooth') }}</AppButton>
          <AppButton small data-test="thin" @click="thinned">{{ t('bars.thin') }}</AppButton>
        </p>
      </template>
      <h3>{{ t('bars.time') }}</h3>
      <p>
        <AppButton small data-test="turn-round" @click="mirrored">{{ t('bars.mirror') }}</AppButton>
        <AppButton small data-test="twice-as-long" @click="stretched(2)">{{ t('bars.twice') }}</AppButton>
        <AppButton small @click="stretched(0.5)">{{ t('bars.half') }}</AppButton>
      </p>
      <h3>{{ t('bars.move') }}</h3>
      <p>
        <AppButton small @click="moved(-lengths.beat)">{{ t('bars.beat-earlier') }}</AppButton>
        <AppButton small @click="moved(lengths.beat)">{{ t('bars.beat-later') }}</AppButton>
        <AppButton small @click="moved(-lengths.bar)">{{ t('bars.bar-earlier') }}</AppButton>
        <AppButton small data-test="bar-later" @click="moved(lengths.bar)">{{
          t('bars.bar-later')
        }}</AppButton>
      </p>
      <h3>{{ t('bars.rest') }}</h3>
      <p>
        <AppButton small @click="movedRest(-lengths.bar)">{{ t('bars.bar-earlier') }}</AppButton>
        <AppButton small data-test="rest-later" @click="movedRest(lengths.bar)">{{
          t('bars.bar-later')
        }}</AppButton>
      </p>
      <h3>{{ t('bars.repeat') }}</h3>
      <p>
        <NumberField
          v-model="times"
          class="times"
          bare
          :label="t('bars.repeat.times')"
          :min="1"
          :max="64"
          @keydown="keepKeys"
        />
        <AppButton small data-test="repeat" @click="repeated">{{ t('bars.repeat.do') }}</AppButton>
      </p>
      <h3>{{ t('bars.rhythm') }}</h3>
      <p>
        <AppButton v-for="r in RHYTHMS" :key="r.name" small @click="rhythm(r.pattern)">{{
          r.name
        }}</AppButton>
      </p>
      <template v-if="!isSwitch">
        <h3>{{ t('bars.way') }}</h3>
        <RadioList v-model="desk.way" inline :label="t('bars.way')" :choices="ways">
          <template #mark="{ choice }">
            <FormPicture v-if="FORMS[choice.value]" class="form" :form="FORMS[choice.value]!.key" />
          </template>
        </RadioList>
      </template>
      <h3>{{ t('bars.edges') }}</h3>
      <RadioList v-model="desk.edgeKind" inline :label="t('bars.edges')" :choices="edges" />
      <h3>{{ t('bars.by-hand') }}</h3>
      <p>
        <AppButton small :tip="t('bars.by-hand.tip')" @click="pass.repair(span)">
          {{ t('bars.by-hand.do') }}
        </AppButton>
      </p>
      <h3>{{ t('bars.away') }}</h3>
      <p><AppButton small data-test="clear-span" @click="cleared">{{ t('bars.clear') }}</AppButton></p>
    </div>
  </AppMenu>
</template>

<style scoped>
.more {
  display: grid;
  gap: var(--space-1);
  width: 380px;
}

h3 {
  margin-top: var(--space-2);
  color: var(--soft);
  font-size: var(--text-1);
  font-weight: 560;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1);
  align-items: center;
}

.form {
  margin-right: var(--space-1);
}

.times {
  flex: 0 0 76px;
}
</style>
