<script setup lang="ts">
/** A list of things to do that opens from a button: arrows go through it, Escape closes it and the focus is back on the button. */
defineProps<{
  /** What is in it: said to a screen reader. */
  label: string
  /** It holds fields and choices, and stays open while they are used. */
  stays?: boolean
  location?: 'bottom' | 'top' | 'bottom end' | 'top end'
  /** Where on the page it opens, in px: for one that no button opens. */
  at?: readonly [number, number] | undefined
}>()
const open = defineModel<boolean>({ default: false })
</script>

<template>
  <v-menu
    v-model="open"
    :close-on-content-click="!stays"
    :location="location ?? 'bottom'"
    v-bind="at ? { target: [at[0], at[1]] } : {}"
  >
    <template v-if="$slots['opener']" #activator="{ props: opener }"
      ><slot name="opener" :opener="opener"
    /></template>
    <div v-if="stays" class="sheet app-menu open" role="dialog" :aria-label="label"><slot /></div>
    <v-list v-else class="sheet app-menu" density="compact" :aria-label="label" role="menu"><slot /></v-list>
  </v-menu>
</template>

<style scoped>
.app-menu {
  min-width: 200px;
  max-height: min(520px, calc(100vh - 80px));
  margin-block: var(--space-1);
  padding: var(--space-2);
  overflow-y: auto;
  border-radius: var(--radius-m);
  box-shadow: var(--shadow-2);
}

.open {
  display: grid;
  gap: var(--space-2);
  padding: var(--space-4);
}
</style>
