<script setup lang="ts">
/** Handing in, and what was measured, in words, as soon as the server has measured it. */
import { describeMeasurement } from '@rudlo/core/assess'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { OwnVersion } from '../server/views'
import { whenText } from '../shell/dates'
import { useWork } from '../work/work-store'
import { usePass } from '../pass/pass-store'
import { useBench } from './bench-store'

const open = defineModel<boolean>({ required: true })
/** Shows this version instead of asking to hand in the next. */
const props = defineProps<{ look: boolean }>()

const ASK_MS = 700

const bench = useBench()
const work = useWork()
const pass = usePass()
const handed = ref<string | null>(null)
const busy = ref(false)
const problem = ref('')

const shown = computed<OwnVersion | null>(() => {
  const id = handed.value ?? (props.look ? bench.newest?.id : null)
  return work.versions.find((v) => v.id === id) ?? null
})
const next = computed(() => (bench.newest?.number ?? 0) + 1)
const sentences = computed(() => {
  const { measurement, document } = shown.value ?? {}
  return measurement && document ? describeMeasurement(bench.song!, document.mix, measurement) : null
})

async function handIn(): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    handed.value = (await work.handIn()).id
    pass.reset()
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    busy.value = false
  }
}

let timer: ReturnType<typeof setInterval> | undefined
watch([open, shown], () => {
  clearInterval(timer)
  if (!open.value || !shown.value || shown.value.measurement) return
  timer = setInterval(() => void work.refreshVersions().catch(() => null), ASK_MS)
})
watch(open, (isOpen) => {
  if (isOpen) {
    handed.value = null
    problem.value = ''
  }
})
onBeforeUnmount(() => clearInterval(timer))
</script>

<template>
  <v-dialog v-model="open">
    <div class="sheet dialog">
      <template v-if="!shown">
        <h2>Hand in version {{ next }}?</h2>
        <p>
          Your teacher gets the work exactly as it is now, and it is measured. You can go on working here
          meanwhile; what you change then belongs to version {{ next + 1 }}.
        </p>
        <p v-if="pass.active" data-test="still-writes">
          The hand still writes on some tracks while it plays. It is set back to follow only when you hand in.
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="row">
          <v-btn variant="text" @click="open = false">Not yet</v-btn>
          <v-btn color="primary" variant="flat" :loading="busy" data-test="confirm-hand-in" @click="handIn"
            >Hand in</v-btn
          >
        </div>
      </template>
      <template v-else>
        <h2>Version {{ shown.number }} is with your teacher</h2>
        <p class="soft">Handed in {{ whenText(shown.handedInAt) }}</p>
        <template v-if="sentences">
          <h3>What was measured</h3>
          <ul data-test="measured">
            <li v-for="s in sentences" :key="s">{{ s }}</li>
          </ul>
        </template>
        <p v-else class="measuring" role="status">
          <v-progress-circular indeterminate size="22" width="3" /> Listening to it and measuring …
        </p>
        <div class="row">
          <v-btn color="primary" variant="flat" data-test="close-hand-in" @click="open = false"
            >Back to the bench</v-btn
          >
        </div>
      </template>
    </div>
  </v-dialog>
</template>

<style scoped>
.dialog {
  display: grid;
  gap: 14px;
  padding: 26px;
}

h3 {
  font-size: 17px;
}

ul {
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 20px;
}

.row {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}

.measuring {
  display: flex;
  gap: 12px;
  align-items: center;
}

.problem {
  color: var(--warm);
  font-weight: 560;
}
</style>
