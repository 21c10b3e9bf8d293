<script setup lang="ts">
/**
 * One short text without a frame of Vuetify's: values beside controls, of which there are many and which follow the song. It lies in
 * a row whose parts have their names elsewhere.
 */
defineProps<{
  label: string
  value: string
}>()
const emit = defineEmits<{ typing: [text: string]; take: [text: string] }>()
const textOf = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <input
    class="plain-input"
    :value="value"
    :aria-label="label"
    @input="emit('typing', textOf($event))"
    @focus="($event.target as HTMLInputElement).select()"
    @change="emit('take', textOf($event))"
    @blur="emit('take', textOf($event))"
    @keydown.enter="emit('take', textOf($event))"
    @keydown.stop
  />
</template>

<style scoped>
:where(.plain-input) {
  width: 88px;
  height: var(--target);
  padding: 0 6px;
  border: 1px solid transparent;
  border-radius: var(--radius-s);
  background: transparent;
  color: var(--ink);
  font: inherit;
  text-align: end;
}

.plain-input:hover,
.plain-input:focus {
  border-color: var(--rule);
  background: var(--paper);
}
</style>
