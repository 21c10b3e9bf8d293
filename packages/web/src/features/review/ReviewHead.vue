<script setup lang="ts">
/** The head of the review desk: how many wait, files to take along, and giving back. */
import { ref, useTemplateRef } from 'vue'
import FilesDialog from '../../desk/files/FilesDialog.vue'
import AppHeader from '../../shell/AppHeader.vue'
import GiveBack from './GiveBack.vue'
import { useReview } from './review-store'
import { t } from '../../words/t'
import IconButton from '../../ui/buttons/IconButton.vue'

const emit = defineEmits<{ next: [handIn: string] }>()

const review = useReview()
const files = ref(false)
/** Whether what is decided waits to be given back together. */
const hold = ref(false)
const give = useTemplateRef<InstanceType<typeof GiveBack>>('give')

defineExpose({ decide: (outcome: 'accepted' | 'again') => give.value?.decide(outcome) })
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
  <AppHeader :before="t('review.desk')" :title="review.assignment?.title">
    <template v-if="review.handIn">
      <p class="soft left">{{ t('review.waiting', { n: review.waiting.length }) }}</p>
      <IconButton icon="files" :label="t('files.title')" data-test="files" @click="files = true" />
      <GiveBack ref="give" v-model:hold="hold" @next="(id) => emit('next', id)" />
    </template>
  </AppHeader>
</template>

<style scoped>
.left {
  white-space: nowrap;
}
</style>
