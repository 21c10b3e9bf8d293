<script setup lang="ts">
/** Feedback to print: of one hand-in, or of the newest of everybody in the group. */
import { computed, shallowRef, ref, watch } from 'vue'
import { openHandIns, openQueue, type OpenedHandIn } from '../../api/hand-in'
import { attempt } from '../../ui/forms/attempt'
import type { AssignmentView } from '@rudlo/contract/assignments'
import type { QueueEntry } from '@rudlo/contract/handins'
import AppHeader from '../../shell/AppHeader.vue'
import FeedbackSheet from './FeedbackSheet.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import RoomState from '../../ui/page/RoomState.vue'
import { t } from '../../words/t'

const props = defineProps<{ assignment: string; handIn?: string }>()

const given = shallowRef<AssignmentView | null>(null)
const queue = shallowRef<readonly QueueEntry[]>([])
const handIns = shallowRef<readonly OpenedHandIn[]>([])
const problem = ref('')
/** Whether sheets are on their way. */
const coming = ref(true)
/** The newest wish: what comes for an earlier one is not shown any more. */
let wish = 0

async function open(): Promise<void> {
  const [{ assignment, handIn }, mine] = [{ ...props }, ++wish]
  problem.value = ''
  coming.value = true
  await attempt(
    async () => {
      const opened = await openQueue(assignment)
      const chosen = opened.queue.filter((q) => (handIn ? q.id === handIn : q.newest))
      const sheets: OpenedHandIn[] = []
      for await (const some of openHandIns(chosen.map((q) => q.id))) sheets.push(...some)
      if (mine !== wish) return
      given.value = opened.given
      queue.value = opened.queue
      handIns.value = sheets
      coming.value = false
    },
    (sentence) => mine === wish && (problem.value = sentence),
  )
}
watch(() => [props.assignment, props.handIn], open, { immediate: true })
const print = () => window.print()

const people = computed(() => [
  { value: '', text: t('sheet.everybody') },
  ...queue.value.map((q) => ({
    value: q.id,
    text: t('sheet.entry', { student: q.student, number: q.number }),
  })),
])
</script>

<template>
  <div class="sheets">
    <AppHeader class="screen" :before="t('sheet.room')" :title="given?.title">
      <SelectField
        class="who"
        bare
        :label="t('sheet.whose')"
        :model-value="handIn ?? ''"
        :choices="people"
        @update:model-value="(id) => $router.push(`/sheets/${given!.id}/${id}`)"
      />
      <AppButton tone="main" :disabled="coming || !handIns.length" data-test="print" @click="print">
        {{ t('sheet.print') }}
      </AppButton>
    </AppHeader>
    <main>
      <RoomState v-if="problem || coming" class="screen" :problem="problem" loading @again="open" />
      <p v-else-if="!queue.length" class="soft screen none">{{ t('sheet.none') }}</p>
      <template v-else>
        <FeedbackSheet v-for="h in handIns" :key="h.id" :assignment="given!" :hand-in="h" />
      </template>
    </main>
  </div>
</template>

<style scoped>
main {
  padding: 16px;
}

.none {
  text-align: center;
}

.who {
  flex: 0 0 260px;
}

@media print {
  .screen {
    display: none;
  }

  main {
    padding: 0;
  }
}
</style>
