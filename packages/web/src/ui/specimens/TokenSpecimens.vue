<script setup lang="ts">
/** Type, colours, corners. */
import { t } from '../../words/t'
import { RADIUS, TEXT } from '../theme/tokens'
import SpecimenRow from './SpecimenRow.vue'

const COLOURS = ['paper', 'sheet', 'wash', 'rule', 'ink', 'soft', 'desk', 'warm', 'good', 'close', 'wave']
const FAMILIES = ['volume', 'pan', 'send', 'effect', 'switch'].map((family) => `family-${family}`)
</script>

<template>
  <SpecimenRow name="TEXT">
    <span v-for="(_, step) in TEXT" :key="step" :style="{ fontSize: `var(--text-${step})` }">{{
      t('specimens.title')
    }}</span>
  </SpecimenRow>
  <SpecimenRow name="Palette">
    <span v-for="c in [...COLOURS, ...FAMILIES]" :key="c" class="colour">
      <i :style="{ background: `var(--${c})` }" /><code>{{ c }}</code>
    </span>
  </SpecimenRow>
  <SpecimenRow name="RADIUS">
    <i v-for="(_, r) in RADIUS" :key="r" class="corner" :style="{ borderRadius: `var(--radius-${r})` }" />
  </SpecimenRow>
</template>

<style scoped>
.colour {
  display: grid;
  gap: 2px;
  justify-items: center;
  font-size: var(--text-1);
}

.colour i,
.corner {
  width: 56px;
  height: 32px;
  border: 1px solid var(--ink);
  border-radius: var(--radius-s);
}
</style>
