<script setup lang="ts">
/** One sentence for the person, at the foot of the page; goes by itself, or when it is closed. */
import { computed } from 'vue'
import { t } from '../../words/t'
import AppButton from '../buttons/AppButton.vue'

const notice = defineModel<string | null>({ required: true })
const shown = computed({ get: () => notice.value !== null, set: (on) => on || (notice.value = null) })
</script>

<template>
  <v-snackbar v-model="shown" :timeout="9000" location="bottom" class="notice" data-test="notice">
    {{ notice }}
    <template #actions
      ><AppButton tone="quiet" small class="close" @click="notice = null">{{
        t('ui.close')
      }}</AppButton></template
    >
  </v-snackbar>
</template>

<style scoped>
.notice {
  padding-bottom: 70px;
}

.close {
  color: inherit;
}
</style>
