<script setup lang="ts">
/** The ready shapes, with the fields of the one that is laid. The handles on the lane do the same. */
import { SHAPES, type ShapeKind } from '@rudlo/core/envelope'
import { computed } from 'vue'
import { useShape } from './shape-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import { t } from '../../words/t'

defineProps<{ where: string }>()

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

const cycles = computed(() => shape.shape.cycles / (shape.perBeat ? shape.beats : 1))
const setCycles = (count: number) => {
  if (count > 0) shape.change({ cycles: Math.min(128, count * (shape.perBeat ? shape.beats : 1)) })
}
const isRamp = computed(() => shape.shape.kind === 'ramp')
/** What can be changed of every shape. */
const SLIDERS = [
  { name: 'depth', min: -1, text: t('shape.depth') },
  { name: 'centre', min: 0, text: t('shape.middle') },
  { name: 'growth', min: -1, text: t('shape.grows') },
] as const
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
    <template v-if="shape.laid">
      <NumberField
        v-if="!isRamp"
        class="times"
        bare
        :label="shape.shape.kind === 'steps' ? t('shape.steps') : t('shape.times')"
        :unit="shape.shape.kind === 'steps' ? t('shape.steps') : '×'"
        :min="0.25"
        :max="128"
        :step="shape.shape.kind === 'steps' ? 1 : 0.5"
        :model-value="Math.round(cycles * 100) / 100"
        data-test="shape-cycles"
        @update:model-value="setCycles($event ?? 0)"
        @keydown.stop
      />
      <CheckField v-if="!isRamp" v-model="shape.perBeat" :label="t('shape.per-beat')" />
      <label v-for="s in SLIDERS" :key="s.name" class="slider"
        ><span aria-hidden="true">{{ s.text }}</span>
        <v-slider
          :min="s.min"
          :max="1"
          :step="0.01"
          :aria-label="s.text"
          :model-value="shape.shape[s.name]"
          :data-test="`shape-${s.name}`"
          hide-details
          thumb-size="14"
          track-size="4"
          color="primary"
          @update:model-value="(to: number) => shape.change({ [s.name]: to })"
          @keydown.stop
      /></label>
    </template>
    <span v-else class="soft">{{ t('shape.choose') }}</span>
    <AppButton small class="finish" @click="shape.end()">{{ t('shape.done') }}</AppButton>
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
  min-height: 34px;
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

label {
  display: flex;
  gap: 5px;
  align-items: center;
  min-height: 34px;
}

.times {
  flex: 0 0 104px;
}

.slider .v-slider {
  width: 84px;
}

.finish {
  margin-left: auto;
}
</style>
