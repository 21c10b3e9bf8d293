<script setup lang="ts">
/** A page before anything else can be done: one form under the mark. */
import FormProblem from '../../ui/forms/FormProblem.vue'
import RudloMark from '../../ui/marks/RudloMark.vue'

defineProps<{ title: string; about?: string; problem: string }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <main class="page">
    <RudloMark :size="34" />
    <form class="sheet" @submit.prevent="emit('submit')">
      <h1>{{ title }}</h1>
      <p v-if="about" class="soft">{{ about }}</p>
      <slot />
      <FormProblem :text="problem" />
      <slot name="ways" />
    </form>
  </main>
</template>

<style scoped>
.page {
  display: grid;
  gap: var(--space-5);
  justify-items: center;
  align-content: center;
  min-height: 100vh;
  padding: var(--space-6);
}

form {
  display: grid;
  gap: var(--space-4);
  width: min(440px, 100%);
  padding: var(--space-6);
}

h1 {
  font-size: var(--text-5);
}
</style>
