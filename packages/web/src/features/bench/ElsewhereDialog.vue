<script setup lang="ts">
/** This work is open in another window: what can be done about it. */
import { useWork } from '../../document/work-store'
import AppButton from '../../ui/buttons/AppButton.vue'

const work = useWork()
</script>

<template>
  <v-dialog aria-label="Open in another window" :model-value="work.elsewhere" persistent>
    <div class="sheet elsewhere" role="alertdialog" aria-label="Open in another window">
      <h2>This work is open in another window</h2>
      <p>So that nothing gets mixed up, only one window can change it. What was done here is saved.</p>
      <AppButton tone="main" data-test="work-here" @click="work.workHere()"
        >Work here instead</AppButton>
    </div>
  </v-dialog>
</template>

<style scoped>
.elsewhere {
  display: grid;
  gap: 16px;
  justify-items: start;
  place-content: center;
  flex: 1;
  padding: 26px;
}
</style>
