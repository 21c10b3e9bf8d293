<script setup lang="ts">
/** A room that is not there yet, could not be fetched, or has nothing in it: said in the same way everywhere. */
import { t } from '../../words/t'
import AppButton from '../buttons/AppButton.vue'

const { problem = '' } = defineProps<{
  /** Why it could not be fetched; nothing while all is well. */
  problem?: string
  /** It is on its way. */
  loading?: boolean
  /** What is said where there is nothing. */
  empty?: { readonly title: string; readonly text: string } | null | undefined
}>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <div v-if="problem" class="room-state" role="alert" data-test="room-failed">
    <v-icon icon="$unsaved" size="34" class="sign" />
    <p>{{ problem }}</p>
    <AppButton tone="main" data-test="room-again" @click="emit('again')">{{ t('ui.again') }}</AppButton>
  </div>
  <div v-else-if="loading" class="room-state" role="status" data-test="room-loading">
    <v-progress-circular indeterminate :size="34" :aria-label="t('ui.loading')" />
    <p class="soft">{{ t('ui.loading') }}</p>
  </div>
  <div v-else-if="empty" class="room-state" data-test="room-empty">
    <h2>{{ empty.title }}</h2>
    <p class="soft">{{ empty.text }}</p>
    <slot />
  </div>
  <slot v-else name="room" />
</template>

<style scoped>
.room-state {
  display: grid;
  gap: var(--space-3);
  justify-items: center;
  padding: var(--space-14) var(--space-6);
  text-align: center;
}

.room-state p {
  max-width: 52ch;
}

h2 {
  font-size: var(--text-4);
}

.sign {
  color: var(--soft);
}
</style>
