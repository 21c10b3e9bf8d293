<script setup lang="ts">
/** One sentence for the person, at the foot of the page; goes by itself, or when it is closed. */
import { computed } from 'vue'

const notice = defineModel<string | null>({ required: true })
const shown = computed({ get: () => notice.value !== null, set: (on) => on || (notice.value = null) })
</script>

<template>
  <v-snackbar v-model="shown" :timeout="9000" location="bottom" class="notice" data-test="notice">
    {{ notice }}
    <template #actions><v-btn variant="text" size="small" @click="notice = null">Close</v-btn></template>
  </v-snackbar>
</template>

<style scoped>
.notice {
  padding-bottom: 70px;
}
</style>
