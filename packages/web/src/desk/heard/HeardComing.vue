<script setup lang="ts">
/** In place of what is heard, while that is fetched with its charts; or why it cannot be. */
import { ref, watch } from 'vue'
import { whyNotReached } from '../../api/reached'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

const props = defineProps<{
  /** Why it could not be fetched, as the browser says it. */
  error?: Error
}>()
/** The same for people. */
const problem = ref('')
watch(
  () => props.error,
  async (error) => (problem.value = error ? ((await whyNotReached()) ?? t('ui.fault')) : ''),
  { immediate: true },
)
</script>

<template>
  <section class="sheet" :aria-label="t('heard.view')">
    <p v-if="problem" class="soft" role="alert">{{ problem }}</p>
    <RoomState v-else loading />
  </section>
</template>

<style scoped>
.sheet {
  flex: 1;
  min-height: 0;
  padding: var(--space-4);
}
</style>
