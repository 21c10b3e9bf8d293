<script setup lang="ts">
/** The head of the review desk: who is next, how many wait and for about how long, files to take along, and giving back. */
import type { AssignmentCard } from '@rudlo/contract/assignments'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { server, told } from '../../api/client'
import FilesDialog from '../../desk/files/FilesDialog.vue'
import AppHeader from '../../shell/AppHeader.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import IconButton from '../../ui/buttons/IconButton.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import { t } from '../../words/t'
import GiveBack from './GiveBack.vue'
import { usePace } from './pace'
import QueueList from './QueueList.vue'
import { useReview } from './review-store'

const props = defineProps<{ assignment: string }>()
const emit = defineEmits<{
  next: [handIn: string]
  step: [by: 1 | -1]
  assignment: [id: string]
  release: [at: Date | null]
}>()

const review = useReview()
const pace = usePace()
const files = ref(false)
const queue = ref(false)
/** Whether what is decided waits to be given back together. */
const hold = ref(false)
const give = useTemplateRef<InstanceType<typeof GiveBack>>('give')
const cards = shallowRef<readonly AssignmentCard[]>([])
told(server.assignments.$get()).then(
  (found) => (cards.value = found),
  () => null,
)
const choosable = computed(() => cards.value.map((a) => ({ ...a, waiting: a.counts?.waiting ?? 0 })))
const left = computed(() => {
  const n = review.waiting.length
  const minutes = pace.minutesFor(n)
  return minutes === null || !n ? t('review.left', { n }) : t('review.left.about', { n, minutes })
})

function choose(id: string): void {
  queue.value = false
  emit('next', id)
}

defineExpose({
  decide: (outcome: 'accepted' | 'again') => give.value?.decide(outcome),
  queue: () => (queue.value = !queue.value),
})
</script>

<template>
  <FilesDialog
    v-if="review.handIn && review.mix"
    v-model="files"
    :song="review.song!"
    :mix="review.mix"
    :title="t('review.title', { title: review.assignment!.title, number: review.handIn.number })"
    :bundle="`/api/hand-ins/${review.handIn.id}/bundle`"
  />
  <AppHeader compact :before="t('review.desk')" :title="review.assignment?.title">
    <template v-if="review.handIn">
      <div class="stepper">
        <IconButton
          icon="previous"
          :label="t('queue.before')"
          data-test="step-back"
          @click="emit('step', -1)"
        />
        <AppMenu v-model="queue" stays scroll-strategy="none" :label="t('queue.label')">
          <template #opener="{ opener }"
            ><AppButton v-bind="opener" small :tip="t('queue.tip')" data-test="queue"
              >{{ left }}<v-icon icon="$choose" size="18" /></AppButton
          ></template>
          <QueueList
            :assignment="props.assignment"
            :assignments="choosable"
            :waiting="review.waiting"
            :held="review.held"
            :done="review.done"
            :missing="review.missing"
            :current="review.handIn.id"
            @choose="choose"
            @assignment="(id) => emit('assignment', id)"
            @release="(at) => emit('release', at)"
          />
        </AppMenu>
        <IconButton icon="following" :label="t('queue.after')" data-test="step-on" @click="emit('step', 1)" />
      </div>
      <IconButton icon="files" :label="t('files.title')" data-test="files" @click="files = true" />
      <GiveBack ref="give" v-model:hold="hold" @next="(id) => emit('next', id)" />
    </template>
  </AppHeader>
</template>

<style scoped>
.stepper {
  display: flex;
  align-items: center;
  min-width: 0;
  white-space: nowrap;
}

.stepper > :deep(.v-btn) {
  min-width: 0;
}
</style>
