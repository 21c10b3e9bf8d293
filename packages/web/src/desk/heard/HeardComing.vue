<script setup lang="ts">
/** In place of what is heard, while that is fetched with its charts; or why it cannot be. */
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

defineProps<{
  /** Why it could not be fetched. */
  error?: Error
}>()
</script>

<template>
  <section class="sheet" :aria-label="t('heard.view')">
    <p v-if="error" class="soft" role="alert">{{ t('ui.unreachable') }}</p>
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
