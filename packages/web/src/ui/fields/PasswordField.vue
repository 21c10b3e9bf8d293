<script setup lang="ts">
/** A password, which can be shown to whoever types it. */
import { ref } from 'vue'
import { t } from '../../words/t'
import IconButton from '../buttons/IconButton.vue'

defineProps<{
  label: string
  fault?: string | null | undefined
  hint?: string | undefined
  /** What a password manager should know. */
  kind: 'current-password' | 'new-password'
}>()
const password = defineModel<string>({ required: true })
const isShown = ref(false)
</script>

<template>
  <v-text-field
    v-model="password"
    :label="label"
    :type="isShown ? 'text' : 'password'"
    :autocomplete="kind"
    :error-messages="fault ?? null"
    :hint="hint"
    :persistent-hint="Boolean(hint)"
    autocapitalize="off"
    spellcheck="false"
  >
    <template #append-inner
      ><IconButton
        :icon="isShown ? 'hidden' : 'shown'"
        :label="t(isShown ? 'ui.password.hide' : 'ui.password.show')"
        @click="isShown = !isShown"
    /></template>
  </v-text-field>
</template>
