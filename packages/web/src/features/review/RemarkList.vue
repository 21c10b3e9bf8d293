<script setup lang="ts">
/** The remarks on a hand-in in order of place, with what the student answered. */
import { ref } from 'vue'
import type { RemarkView } from '@rudlo/contract/reviews'
import { remarkPlace } from '../../desk/remarks/remark-place'
import SpokenRemark from '../../desk/remarks/SpokenRemark.vue'
import RemarkTalk from '../../desk/remarks/RemarkTalk.vue'
import { attempt } from '../../ui/forms/attempt'
import { useReview } from './review-store'
import AppButton from '../../ui/buttons/AppButton.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import TextArea from '../../ui/fields/TextArea.vue'
import { t } from '../../words/t'

const review = useReview()
const changing = ref<string | null>(null)
const changed = ref('')

const place = (r: RemarkView) => remarkPlace(review.song!, review.mix!, r)

const act = (what: () => Promise<unknown>) => attempt(what, review.tell)

function startChange(remark: RemarkView): void {
  changing.value = remark.id
  changed.value = remark.text
}

async function finishChange(remark: RemarkView): Promise<void> {
  const text = changed.value.trim()
  if (!text || (await act(() => review.changeRemark(remark, text)))) changing.value = null
}
</script>

<template>
  <ol v-if="review.remarks.length">
    <li
      v-for="(remark, i) in review.remarks"
      :key="remark.id"
      :class="{ on: review.pinned === remark.id }"
      data-test="remark"
    >
      <RowButton
        class="pin"
        :aria-label="t('remark.show', { number: i + 1 })"
        @click="review.showRemark(remark.id)"
      >
        {{ i + 1 }}
      </RowButton>
      <div>
        <b>{{ place(remark) }}</b>
        <span v-if="remark.done" class="soft"> {{ t('remark.done') }}</span>
        <template v-if="changing === remark.id">
          <TextArea v-model="changed" maxlength="2000" :label="t('remark.label')" />
          <AppButton small @click="finishChange(remark)">{{ t('ui.save') }}</AppButton>
        </template>
        <p v-else-if="remark.text">{{ remark.text }}</p>
        <SpokenRemark
          v-if="remark.spoken"
          :spoken="remark.spoken"
          :source="`/api/hand-ins/${review.handIn!.id}/remarks/${remark.id}/spoken`"
          :from="remark.from"
        />
        <p v-if="remark.suggestion" class="soft">{{ t('remark.with-line') }}</p>
        <RemarkTalk :replies="remark.replies" @say="(text) => act(() => review.reply(remark, text))" />
        <div v-if="changing !== remark.id" class="acts">
          <RowButton class="link" @click="startChange(remark)">{{ t('remark.edit') }}</RowButton>
          <RowButton class="link" @click="act(() => review.removeRemark(remark.id))">{{
            t('remark.remove')
          }}</RowButton>
        </div>
      </div>
    </li>
  </ol>
</template>

<style scoped>
ol {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  /* those out of sight are not laid out */
  contain-intrinsic-size: auto 130px;
  content-visibility: auto;
  grid-template-columns: auto 1fr;
  gap: 10px;
}

p {
  overflow-wrap: anywhere;
}

.pin {
  display: grid;
  place-items: center;
  width: 32px;
  height: 32px;
  border: 0;
  border-radius: 8px;
  background: var(--warm);
  color: var(--sheet);
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}

li.on .pin {
  outline: 2px solid var(--warm);
  outline-offset: 2px;
}

.acts {
  display: flex;
  gap: 12px;
}

.link {
  min-height: 32px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 14px;
  text-decoration: underline;
  cursor: pointer;
}

textarea {
  width: 100%;
  padding: 6px 10px;
  border: 1px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: var(--ink);
  font: inherit;
  resize: vertical;
}
</style>
