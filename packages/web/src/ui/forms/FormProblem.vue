<script setup lang="ts">
/** Why something could not be sent, in one sentence. */
defineProps<{ text: string }>()
</script>

<template>
  <p v-if="text" class="form-problem" role="alert">{{ text }}</p>
</template>

<style scoped>
.form-problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
