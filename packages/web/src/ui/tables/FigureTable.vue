<script setup lang="ts">
/** A small table of figures, as it is: its head and its rows are given as elements. */
import { useTemplateRef } from 'vue'
import type { VTable } from 'vuetify/components/VTable'
import { useScrollStop } from './scroll-stop'

defineProps<{ label: string }>()
useScrollStop(useTemplateRef<VTable>('table'))
</script>

<template>
  <v-table ref="table" class="figure-table" density="compact" :aria-label="label"><slot /></v-table>
</template>

<style scoped>
.figure-table {
  background: transparent;
  color: inherit;
  background: transparent;
  font-size: var(--text-2);
}
</style>
