<script setup lang="ts">
/** A small table of figures, as it is: its head and its rows are given as elements. */
defineProps<{ label: string }>()
</script>

<template>
  <v-table class="figure-table" density="compact" :aria-label="label"><slot /></v-table>
</template>

<style scoped>
.figure-table {
  background: transparent;
  font-size: var(--text-2);
}
</style>
