<script setup lang="ts">
/** Accepting a hand-in or wanting another version: at once, or held until all go back together; and taking it back. */
import { computed, ref } from 'vue'
import { attempt } from '../../ui/forms/attempt'
import type { Outcome } from '@rudlo/contract/handins'
import { now } from '../../browser/clock'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'

/** Whether what is decided waits to be given back together. */
const hold = defineModel<boolean>('hold', { required: true })
const emit = defineEmits<{ next: [id: string] }>()

const review = useReview()
const busy = ref(false)
/** Asked once where nothing has been said. */
const asking = ref<Outcome | null>(null)

const state = computed(() => review.handIn?.state)
/** Figures are there, or will not come. */
const ready = computed(() => Boolean(review.handIn?.measurement ?? review.handIn?.measureProblem))
const waits = computed(() => state.value === 'waiting' || state.value === 'measuring')
const back = computed(() => {
  const accepted = review.handIn?.outcome === 'accepted' ? 'Accepted' : 'Wanted again'
  if (state.value === 'held') return `${accepted}, not given back yet`
  return new Date(review.handIn?.givenBackAt ?? 0) > now() ? `${accepted}, goes back later` : accepted
})

async function act(what: () => Promise<void>): Promise<void> {
  busy.value = true
  await attempt(what, review.tell)
  busy.value = false
}

function decide(outcome: Outcome): void {
  if (!waits.value || !ready.value || busy.value) return
  if (review.isUnsaid && asking.value !== outcome) asking.value = outcome
  else void giveBack(outcome)
}

const giveBack = (outcome: Outcome) =>
  act(async () => {
    asking.value = null
    const next = await review.giveBack(outcome, hold.value)
    const done = outcome === 'accepted' ? 'Accepted' : 'Wanted again'
    review.notice = hold.value ? `${done}; it goes back with the others.` : `${done}, and given back.`
    if (next) emit('next', next)
  })

const takeBack = () =>
  act(async () => {
    await review.takeBack()
    review.notice = 'Taken back: the student has not seen it.'
  })

defineExpose({ decide })
</script>

<template>
  <v-dialog
    :model-value="asking !== null"
    aria-label="Nothing has been said"
    max-width="460"
    @update:model-value="asking = null"
  >
    <div class="sheet ask">
      <h2>Give it back without a word?</h2>
      <p>There is no mark, no remark and no comment yet.</p>
      <div class="acts">
        <AppButton tone="quiet" @click="asking = null">Say something first</AppButton>
        <AppButton tone="main"
          autofocus
          data-test="without-a-word"
          @click="asking && giveBack(asking)"
        >
          Give it back
        </AppButton>
      </div>
    </div>
  </v-dialog>
  <template v-if="waits">
    <label class="hold" title="What you decide now goes back together with the others, when you say so">
      <input v-model="hold" type="checkbox" data-test="hold" />all together later
    </label>
    <AppButton :busy="busy" :disabled="!ready" data-test="again" @click="decide('again')">
      Ask for another version
    </AppButton>
    <AppButton tone="main"
      :busy="busy"
      :disabled="!ready"
      data-test="accept"
      @click="decide('accepted')"
    >
      Accept
    </AppButton>
  </template>
  <template v-else>
    <p class="given"><v-icon icon="$met" size="20" />{{ back }}</p>
    <AppButton tone="quiet"
      v-if="!review.handIn?.openedAt"
      :busy="busy"
      data-test="take-back"
      tip="The student has not opened it yet"
      @click="takeBack"
    >
      Take it back
    </AppButton>
  </template>
</template>

<style scoped>
.hold {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 32px;
  font-size: 14px;
  white-space: nowrap;
  cursor: pointer;
}

.given {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 620;
  white-space: nowrap;
}

.ask {
  display: grid;
  gap: 12px;
  padding: 22px 26px;
}

.acts {
  display: flex;
  gap: 8px;
  justify-content: end;
}
</style>
