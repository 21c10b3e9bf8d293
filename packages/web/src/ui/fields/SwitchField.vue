<script setup lang="ts">
/** Something that is on or off at once. */
defineProps<{ label: string; disabled?: boolean }>()
const on = defineModel<boolean>({ required: true })
</script>

<template>
  <v-switch
    v-model="on"
    class="switch-field"
    :label="label"
    :disabled="disabled"
    density="compact"
    color="primary"
    hide-details
    inset
    :ripple="false"
  />
</template>

<style scoped>
.switch-field :deep(.v-label) {
  color: var(--ink);
  opacity: 1;
  font-size: var(--text-2);
}
</style>
