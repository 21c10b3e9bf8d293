<script setup lang="ts">
/** A page before anything else can be done: one form under the mark. */
import RudloMark from '../../ui/RudloMark.vue'

defineProps<{ title: string; problem: string }>()
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <main class="page">
    <RudloMark :size="34" />
    <form class="sheet" @submit.prevent="emit('submit')">
      <h1>{{ title }}</h1>
      <slot />
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <slot name="ways" />
    </form>
  </main>
</template>

<style scoped>
.page {
  display: grid;
  gap: 20px;
  justify-items: center;
  align-content: center;
  min-height: 100vh;
  padding: 24px;
}

form {
  display: grid;
  gap: 14px;
  width: min(440px, 100%);
  padding: 26px;
}

h1 {
  font-size: 26px;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
