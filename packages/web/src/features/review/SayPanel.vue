<script setup lang="ts">
/** What the teacher says: marks by the rubric, remarks pinned to places, a comment on the whole. */
import { laneName } from '@rudlo/core/assess'
import { figuresAt } from '@rudlo/core/remarks'
import { computed, useTemplateRef } from 'vue'
import type { Span } from '../../editor/lane/viewport'
import { usePlayer } from '../../engine/player-store'
import BankList from './BankList.vue'
import { useBank } from './bank-store'
import RemarkForm from './RemarkForm.vue'
import RemarkList from './RemarkList.vue'
import { attempt } from '../../ui/forms/attempt'
import { useReview } from './review-store'
import SaidBefore from './SaidBefore.vue'
import RubricMarks from './RubricMarks.vue'
import VoiceButton from './VoiceButton.vue'
import { useVoice } from './voice-store'
import { useSuggestion } from './suggest-store'
import TextArea from '../../ui/fields/TextArea.vue'
import { t } from '../../words/t'

const props = defineProps<{ span: Span | null }>()
const emit = defineEmits<{ span: [span: Span | null] }>()

const review = useReview()
const bank = useBank()
const suggestion = useSuggestion()
const voice = useVoice()
const player = usePlayer()
const form = useTemplateRef<InstanceType<typeof RemarkForm>>('form')
const comment = useTemplateRef<InstanceType<typeof TextArea>>('comment')

const lane = computed(() => laneName(review.song!, review.mix!, review.address))
const mistakes = computed(() => (review.handIn?.assessment?.mistakes ?? []).map((m) => m.kind))
const spot = computed<Span>(() => props.span ?? { from: 0, to: review.time!.length })
const figures = computed(() =>
  figuresAt(
    review.song!,
    review.mix!,
    review.handIn?.measurement?.moves ?? [],
    { lane: review.address, ...spot.value },
    review.time!,
  ),
)
const others = computed(() => review.waiting.filter((q) => q.id !== review.handIn?.id))

const act = (what: () => Promise<unknown>) => attempt(what, review.tell)

async function pin(text: string, where: 'here' | 'whole', also: readonly string[]): Promise<void> {
  const place =
    where === 'whole' || !props.span
      ? { lane: null, from: 0, to: review.time!.length }
      : { lane: review.address, from: props.span.from, to: props.span.to }
  const suggests = suggestion.drawing && where === 'here'
  // the text stays in the form until the server has it
  const done = await act(async () => {
    if (also.length) {
      const count = await review.addToMany([review.handIn!.id, ...also], place, text)
      review.notice = t('say.also-said', { count })
    } else
      await review.addRemark(place, {
        text,
        subject: review.subject,
        suggestion: suggests ? suggestion.points : null,
      })
  })
  if (!done) return
  if (suggests) suggestion.end()
  emit('span', null)
}

/** Speaks a remark on the bars that are chosen, else on the bar at hand; or on the whole. */
function speak(): void {
  const { meter, length } = review.time!
  const { bar } = meter.placeAt(Math.min(player.position, length - 1))
  const here = props.span ?? { from: meter.barStart(bar), to: Math.min(length, meter.barStart(bar + 1)) }
  void voice.begin(
    form.value?.isOnWhole() ? { lane: null, from: 0, to: length } : { lane: review.address, ...here },
  )
  emit('span', null)
}

async function keep(text: string): Promise<void> {
  if (await act(() => bank.add(text))) review.notice = t('say.kept')
}

function take(text: string): void {
  review.writeDraft(review.draft.trim() ? `${review.draft.trim()} ${text}` : text)
  void form.value?.focus()
}

defineExpose({
  speak,
  focusRemark: () => form.value?.focus(),
  focusComment: () => comment.value?.focus(),
})
</script>

<template>
  <aside class="say" :aria-label="t('say.label')">
    <div class="said">
      <SaidBefore />
      <RubricMarks />
      <h2>{{ t('say.remarks') }}</h2>
      <RemarkList />
      <BankList :mistakes="mistakes" :figures="figures" @take="take" />
      <h2>{{ t('say.comment') }}</h2>
      <TextArea
        ref="comment"
        :rows="3"
        maxlength="5000"
        :label="t('say.comment.placeholder')"
        :model-value="review.comment"
        data-test="comment"
        @update:model-value="review.write"
        @keydown.esc="comment?.blur()"
      />
      <p class="soft state" role="status">
        {{
          review.saveState === 'saved'
            ? t('save.saved')
            : review.saveState === 'saving'
              ? t('save.saving')
              : t('say.not-saved')
        }}
      </p>
    </div>
    <RemarkForm
      ref="form"
      class="form"
      :model-value="review.draft"
      :time="review.time!"
      :lane-name="lane"
      :span="span"
      :subject="review.subject"
      :suggests="suggestion.drawing"
      :others="others"
      @update:model-value="(text) => review.writeDraft(text)"
      @span="(s) => emit('span', s)"
      @pin="pin"
      @keep="keep"
    >
      <VoiceButton @begin="speak" />
    </RemarkForm>
    <p v-if="voice.waiting" class="soft waiting" role="status">
      {{ t('voice.waiting', { n: voice.waiting }) }}
    </p>
  </aside>
</template>

<style scoped>
.say {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-left: 1px solid var(--rule);
  background: var(--sheet);
}

.said {
  display: grid;
  flex: 1;
  grid-template-columns: minmax(0, 1fr);
  gap: var(--space-2);
  align-content: start;
  min-height: 0;
  padding: var(--space-3) var(--space-4) var(--space-4);
  overflow-y: auto;
}

.form {
  flex: none;
  border-top: 1px solid var(--rule);
}

h2 {
  margin-top: var(--space-2);
  padding-top: var(--space-2);
  border-top: 1px solid var(--rule);
  font-size: var(--text-3);
}

.waiting {
  padding: 0 var(--space-4) var(--space-2);
  font-size: var(--text-1);
}

.state {
  font-size: var(--text-1);
}
</style>
