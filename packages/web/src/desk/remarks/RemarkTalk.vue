<script setup lang="ts">
/** What was answered to a remark, and a line to answer. */
import { ref } from 'vue'
import type { ReplyView } from '@rudlo/contract/reviews'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import TextField from '../../ui/fields/TextField.vue'
import { t } from '../../words/t'

defineProps<{ replies: readonly ReplyView[] }>()
const emit = defineEmits<{ say: [text: string] }>()

const answering = ref(false)
const text = ref('')

function say(): void {
  if (!text.value.trim()) return
  emit('say', text.value.trim())
  text.value = ''
  answering.value = false
}
</script>

<template>
  <div class="talk">
    <p v-for="r in replies" :key="r.createdAt" data-test="reply"><b>{{ r.author }}:</b> {{ r.text }}</p>
    <form v-if="answering" @submit.prevent="say">
      <TextField
        v-model="text"
        class="text"
        bare
        maxlength="1000"
        :label="t('talk.reply')"
        :placeholder="t('talk.reply')"
        autofocus
        @keydown.stop
      />
      <AppButton small type="submit">{{ t('talk.send') }}</AppButton>
    </form>
    <RowButton v-else class="link" data-test="answer" @click="answering = true">{{
      t('talk.reply')
    }}</RowButton>
  </div>
</template>

<style scoped>
.talk {
  display: grid;
  gap: 2px;
  font-size: 14px;
}

p {
  padding-left: 8px;
  border-left: 2px solid var(--rule);
  overflow-wrap: anywhere;
}

form {
  display: flex;
  gap: 6px;
}

.text {
  flex: 1;
}

.link {
  justify-self: start;
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>
