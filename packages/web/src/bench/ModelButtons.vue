<script setup lang="ts">
/** At a teacher's own bench: what is there becomes the model, and back to the brief. */
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { put } from '../server/api'
import { useWork } from '../work/work-store'

const props = defineProps<{ assignment: string }>()
const work = useWork()
const router = useRouter()
const busy = ref(false)
let keeping: Promise<void> = Promise.resolve()

/** Back to the brief, once what is being kept is kept: it is proposed from there. */
async function toBrief(): Promise<void> {
  await keeping
  await router.push(`/brief/${props.assignment}`)
}

async function keep(): Promise<void> {
  busy.value = true
  try {
    await put(`/api/assignments/${props.assignment}/model`, { mix: work.mix })
    work.notice = 'This is the model now. Students hear it only when you allow it.'
  } catch (error) {
    work.notice = (error as Error).message
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <v-btn variant="outlined" data-test="to-brief" @click="toBrief">Brief</v-btn>
  <v-btn color="primary" variant="flat" :loading="busy" data-test="keep-model" @click="keeping = keep()"
    >Keep as the model</v-btn
  >
</template>
