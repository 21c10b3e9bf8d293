<script setup lang="ts">
/**
 * A whole row that can be pressed: a person in a list, a task, a sentence that leads to its place. It has no looks of its own; its
 * content lies in it as in a plain element.
 */
defineProps<{
  /** What is said when somebody rests on it. */
  tip?: string | undefined
}>()
</script>

<template>
  <v-btn class="row-button" variant="text" :data-tip="tip" :ripple="false" type="button"><slot /></v-btn>
</template>

<style scoped>
:where(.row-button) {
  display: block;
  justify-content: normal;
  align-items: normal;
  min-width: 0;
  height: auto;
  padding: 0;
  border-radius: var(--radius-s);
  color: inherit;
  font: inherit;
  letter-spacing: inherit;
  text-align: start;
  white-space: normal;
}

.row-button :deep(.v-btn__content) {
  display: contents;
  white-space: inherit;
}

.row-button :deep(.v-btn__overlay) {
  display: none;
}
</style>
