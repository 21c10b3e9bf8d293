<script setup lang="ts">
/** A sheet over the page, with its name, what it is about, and at its foot what can be done. The focus goes back to where it was. */
import { ref, useId, watch } from 'vue'
import { t } from '../../words/t'
import IconButton from '../buttons/IconButton.vue'
import { focusAgain, focusedNow } from './focus-return'

const { width = 560, persistent = false } = defineProps<{
  title: string
  /** At most so wide, in px. */
  width?: number
  /** Only its buttons close it. */
  persistent?: boolean
  /** Something is at stake: a screen reader is told at once. */
  alert?: boolean
}>()
const open = defineModel<boolean>({ required: true })
const id = useId()

/** Made when it is first wanted: a room has a dozen of them that mostly nobody opens. */
const made = ref(false)
let before: HTMLElement | null = null
watch(
  open,
  (is) => {
    if (!is) return
    made.value = true
    before = focusedNow()
  },
  { immediate: true },
)
</script>

<template>
  <v-dialog
    v-if="made"
    v-model="open"
    :max-width="width"
    :persistent="persistent"
    :aria-labelledby="id"
    @after-leave="focusAgain(before)"
  >
    <div
      class="sheet app-dialog"
      :role="alert ? 'alertdialog' : undefined"
      :aria-labelledby="alert ? id : undefined"
    >
      <div class="head">
        <h2 :id="id">{{ title }}</h2>
        <slot name="head" />
        <IconButton v-if="!persistent" icon="close" :label="t('ui.close')" @click="open = false" />
      </div>
      <div class="body"><slot /></div>
      <div v-if="$slots['acts']" class="foot"><slot name="acts" /></div>
    </div>
  </v-dialog>
</template>

<style scoped>
.app-dialog {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  max-height: calc(100dvh - 48px);
  border-radius: var(--radius-m);
  box-shadow: var(--shadow-2);
}

.head {
  display: flex;
  gap: var(--space-3);
  align-items: center;
  padding: var(--space-4) var(--space-4) var(--space-2) var(--space-6);
}

h2 {
  flex: 1;
  font-size: var(--text-4);
}

.body {
  display: grid;
  gap: var(--space-3);
  align-content: start;
  padding: var(--space-1) var(--space-6) var(--space-5);
  overflow-y: auto;
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-2);
  justify-content: flex-end;
  padding: var(--space-3) var(--space-6) var(--space-4);
  border-top: 1px solid var(--rule);
}
</style>
