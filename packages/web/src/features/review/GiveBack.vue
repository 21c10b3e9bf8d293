<script setup lang="ts">
/** Accepting a hand-in or wanting another version: at once, or held until all go back together; and taking it back. */
import { computed, ref } from 'vue'
import { attempt } from '../../ui/forms/attempt'
import type { Outcome } from '@rudlo/contract/handins'
import { now } from '../../browser/clock'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'
import AppDialog from '../../ui/overlays/AppDialog.vue'

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
  const accepted = review.handIn?.outcome === 'accepted' ? t('back.accepted') : t('back.again')
  if (state.value === 'held') return t('back.held', { outcome: accepted })
  return new Date(review.handIn?.givenBackAt ?? 0) > now() ? t('back.later', { outcome: accepted }) : accepted
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
    const done = outcome === 'accepted' ? t('back.accepted') : t('back.again')
    review.notice = hold.value ? t('back.done.held', { outcome: done }) : t('back.done', { outcome: done })
    if (next) emit('next', next)
  })

const takeBack = () =>
  act(async () => {
    await review.takeBack()
    review.notice = t('back.undone')
  })

defineExpose({ decide })
</script>

<template>
  <AppDialog
    :model-value="asking !== null"
    :title="t('back.unsaid')"
    :width="460"
    @update:model-value="asking = null"
  >
    <p>{{ t('back.unsaid.text') }}</p>
    <div class="acts">
      <AppButton tone="quiet" @click="asking = null">{{ t('back.unsaid.no') }}</AppButton>
      <AppButton tone="main" autofocus data-test="without-a-word" @click="asking && giveBack(asking)">
        {{ t('back.unsaid.yes') }}
      </AppButton>
    </div>
  </AppDialog>
  <template v-if="waits">
    <IconButton
      icon="clock"
      :label="t('back.hold')"
      :tip="t('back.hold.tip')"
      :aria-pressed="hold"
      data-test="hold"
      @click="hold = !hold"
    />
    <AppButton :busy="busy" :disabled="!ready" data-test="again" @click="decide('again')">
      {{ t('back.ask') }}
    </AppButton>
    <AppButton tone="main" :busy="busy" :disabled="!ready" data-test="accept" @click="decide('accepted')">
      {{ t('back.accept') }}
    </AppButton>
  </template>
  <template v-else>
    <p class="given"><v-icon icon="$met" size="20" />{{ back }}</p>
    <AppButton
      v-if="!review.handIn?.openedAt"
      tone="quiet"
      :busy="busy"
      data-test="take-back"
      :tip="t('back.undo.tip')"
      @click="takeBack"
    >
      {{ t('back.undo') }}
    </AppButton>
  </template>
</template>

<style scoped>
.given {
  display: flex;
  gap: 6px;
  align-items: center;
  font-weight: 620;
  white-space: nowrap;
}

.acts {
  display: flex;
  gap: 8px;
  justify-content: end;
}
</style>
