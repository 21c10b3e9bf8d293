<script setup lang="ts">
/** A value between two ends, by hand or by arrows; what it is stands beside it. */
const { step = 1 } = defineProps<{
  label: string
  min: number
  max: number
  step?: number
  /** What the value is, in words. */
  said: string
}>()
const value = defineModel<number>({ required: true })
</script>

<template>
  <v-slider
    v-model="value"
    class="slider-field"
    :label="label"
    :min="min"
    :max="max"
    :step="step"
    :aria-valuetext="said"
    color="primary"
    hide-details
    thumb-size="18"
    track-size="5"
    :ripple="false"
  >
    <template #append><output>{{ said }}</output></template>
  </v-slider>
</template>

<style scoped>
output {
  min-width: 4.5em;
  font-size: var(--text-1);
  text-align: end;
}
</style>
