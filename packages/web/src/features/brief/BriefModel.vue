<script setup lang="ts">
/** The mix as it should be, and what can be done with it: tasks proposed from it, the brief tried out on it. */
import { useBrief } from './brief-store'
import AppButton from '../../ui/buttons/AppButton.vue'

defineProps<{ assignment: string }>()
const store = useBrief()
</script>

<template>
  <section class="sheet part model">
    <p>
      <b>{{ store.model ? 'There is a model' : 'No model yet' }}</b>
      <span class="soft">
        {{
          store.model
            ? ': the mix as it should be. Students hear it only when you allow it.'
            : ': make the mix as it should be, and the tasks can be proposed from its moves.'
        }}
      </span>
    </p>
    <div class="row">
      <AppButton :to="`/bench/${assignment}`" data-test="make-model">{{
        store.model ? 'Change the model' : 'Make the model'
      }}</AppButton>
      <AppButton v-if="store.model" data-test="propose" @click="store.propose()"
        >Propose tasks from the model</AppButton>
      <AppButton :busy="store.trying" data-test="try-out" @click="store.tryOut()"
        >Try it out</AppButton>
    </div>
  </section>
</template>

<style scoped>
.part {
  display: grid;
  gap: 10px;
  padding: 16px 18px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
</style>
