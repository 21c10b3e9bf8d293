<script setup lang="ts">
/** The ready shapes, with the fields of the one that is laid. The handles on the lane do the same. */
import { MAX_CYCLES, SHAPES, type ShapeKind } from '@rudlo/core/envelope'
import { resolve } from '@rudlo/core/mix'
import { beats, percent, times, type Unit } from '@rudlo/core/scale'
import { computed } from 'vue'
import { useWork } from '../../document/work-store'
import { nudged } from '../../editor/tools/nudge'
import { useDesk } from '../desk-store'
import { useShape } from './shape-store'
import ShapeField from './ShapeField.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import { t } from '../../words/t'

defineProps<{ where: string }>()

const desk = useDesk()
const work = useWork()
const shape = useShape()

/** Each shape as a drawing in a box of 40 by 20. */
const PICTURES: Readonly<Record<ShapeKind, string>> = {
  ramp: 'M2 18 38 2',
  swell: 'M2 18C12 18 12 2 20 2S28 18 38 18',
  wave: 'M2 10C6 2 9 2 11 2S16 10 20 10 25 18 29 18 34 16 38 10',
  saw: 'M2 2 14 18V2L26 18V2L38 18',
  steps: 'M2 18H11V12H20V7H29V2H38',
  pulse: 'M2 2H9V18H16V2H23V18H30V2H38',
}

/** The lane that it lies on: its middle is a value of that control. */
const control = computed(() => resolve(work.mix!, shape.laid?.address ?? desk.address)!.control)
/** Twice as long, or half as long. */
const octave = (value: number, by: 1 | -1) => value * 2 ** by
const halves = (value: number, by: 1 | -1) => value + by * (shape.shape.kind === 'steps' ? 1 : 0.5)
const tenth = (value: number, by: 1 | -1) => Math.round((value + by * 0.1) * 100) / 100

interface Figure {
  readonly name: string
  readonly text: string
  readonly unit: Unit
  readonly min: number
  readonly max: number
  readonly step: (value: number, by: 1 | -1) => number
  readonly value: number
  readonly set: (value: number) => void
}

const length = (name: 'first' | 'last', text: string): Figure => ({
  name,
  text,
  unit: beats,
  min: 1 / 32,
  max: shape.beats,
  step: octave,
  value: shape.lengths[name],
  set: (beatsLong) => shape.setLength(name, beatsLong),
})
const part = (name: 'depth' | 'growth', text: string): Figure => ({
  name,
  text,
  unit: percent,
  min: -1,
  max: 1,
  step: tenth,
  value: shape.shape[name],
  set: (value) => shape.change({ [name]: value }),
})

/** What the handles do, in figures. A ramp comes once. */
const figures = computed((): readonly Figure[] => {
  const { scale, unit } = control.value
  const often: Figure = {
    name: 'cycles',
    text: t(shape.shape.kind === 'steps' ? 'shape.steps' : 'shape.times'),
    unit: times,
    min: 0.25,
    max: MAX_CYCLES,
    step: halves,
    value: shape.shape.cycles,
    set: (cycles) => shape.change({ cycles }),
  }
  const middle: Figure = {
    name: 'centre',
    text: t('shape.middle'),
    unit,
    min: scale.min,
    max: scale.max,
    step: (value, by) => nudged(control.value, value, by, false),
    value: scale.toValue(shape.shape.centre),
    set: (value) => shape.change({ centre: scale.toTravel(value) }),
  }
  const repeats = [often, length('first', t('shape.first')), length('last', t('shape.last'))]
  return [
    ...(shape.shape.kind === 'ramp' ? [] : repeats),
    part('depth', t('shape.depth')),
    middle,
    part('growth', t('shape.grows')),
  ]
})
</script>

<template>
  <div class="shapes" role="group" :aria-label="t('shape.label')" data-test="shape-bar">
    <b>{{ where }}</b>
    <RowButton
      v-for="kind in SHAPES"
      :key="kind"
      class="kind"
      :aria-pressed="shape.laid !== null && shape.shape.kind === kind"
      :aria-label="t(`shape.kind.${kind}`)"
      :tip="t(`shape.kind.${kind}`)"
      :data-test="`shape-${kind}`"
      @click="shape.lay(kind)"
    >
      <svg viewBox="0 0 40 20" aria-hidden="true"><path :d="PICTURES[kind]" /></svg>
    </RowButton>
    <span v-if="!shape.laid" class="soft">{{ t('shape.choose') }}</span>
    <AppButton small class="finish" @click="shape.end()">{{ t('shape.done') }}</AppButton>
    <div v-if="shape.laid" class="figures">
      <ShapeField
        v-for="f in figures"
        :key="f.name"
        :label="f.text"
        :unit="f.unit"
        :min="f.min"
        :max="f.max"
        :step="f.step"
        :model-value="f.value"
        :data-test="`shape-${f.name}`"
        @update:model-value="f.set"
      />
    </div>
  </div>
</template>

<style scoped>
.shapes {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 5px;
  align-items: center;
  min-height: 46px;
  padding: 5px 10px;
  border-top: 1px solid var(--rule);
  font-size: 14px;
}

.kind {
  display: flex;
  gap: 6px;
  align-items: center;
  min-width: var(--target);
  min-height: max(34px, var(--target));
  padding: 0 4px;
  border: 1px solid var(--rule);
  border-radius: 9px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  cursor: pointer;
}

.kind[aria-pressed='true'] {
  border-color: var(--ink);
  box-shadow: inset 0 0 0 1px var(--ink);
}

svg {
  width: 32px;
  height: 16px;
}

path {
  fill: none;
  stroke: currentColor;
  stroke-width: 2;
}

.figures {
  display: flex;
  flex: 1 0 100%;
  flex-wrap: wrap;
  gap: var(--space-2);
  font-size: var(--text-1);
}

.finish {
  margin-left: auto;
}
</style>
