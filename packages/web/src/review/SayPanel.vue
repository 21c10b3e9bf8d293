<script setup lang="ts">
/** What the teacher says: marks by the rubric, remarks pinned to places, a comment on the whole. */
import { laneName } from '@rudlo/core/assess'
import { computed, ref } from 'vue'
import type { Span } from '../lane/viewport'
import type { RemarkView } from '../server/views'
import { barsOf } from '../transport/loop-text'
import RemarkForm from './RemarkForm.vue'
import { useReview } from './review-store'

defineProps<{ span: Span | null }>()
const emit = defineEmits<{ span: [span: Span | null] }>()

const review = useReview()
const changing = ref<string | null>(null)
const changed = ref('')

const rubric = computed(() => review.assignment!.rubric)
const lane = computed(() => laneName(review.song!, review.mix!, review.address))
const place = (r: RemarkView) =>
  `${laneName(review.song!, review.mix!, r.lane)}, ${barsOf(r, review.time!.meter)}`

async function attempt(what: () => Promise<void>): Promise<boolean> {
  try {
    await what()
    return true
  } catch (error) {
    review.notice = (error as Error).message
    return false
  }
}

async function pin(span: Span, text: string): Promise<void> {
  // the text stays in the form until the server has it
  if (!(await attempt(() => review.addRemark({ lane: review.address, ...span }, text)))) return
  review.draft = ''
  emit('span', null)
}

function startChange(remark: RemarkView): void {
  changing.value = remark.id
  changed.value = remark.text
}

async function finishChange(remark: RemarkView): Promise<void> {
  const text = changed.value.trim()
  if (!text || (await attempt(() => review.changeRemark(remark, text)))) changing.value = null
}
</script>

<template>
  <aside class="say" aria-label="Feedback">
    <h2>Marks</h2>
    <section v-for="criterion in rubric.criteria" :key="criterion.id" class="criterion">
      <h3 :id="`criterion-${criterion.id}`" :title="criterion.about">{{ criterion.name }}</h3>
      <div class="levels" role="group" :aria-labelledby="`criterion-${criterion.id}`">
        <button
          v-for="(level, i) in rubric.levels"
          :key="level"
          class="chip"
          :aria-pressed="review.marks[criterion.id] === i"
          @click="review.mark(criterion.id, i)"
        >
          {{ level }}
        </button>
      </div>
    </section>

    <h2>Remarks</h2>
    <ol v-if="review.remarks.length">
      <li v-for="(remark, i) in review.remarks" :key="remark.id" :class="{ on: review.pinned === remark.id }">
        <button class="pin" :aria-label="`Show remark ${i + 1}`" @click="review.showRemark(remark)">
          {{ i + 1 }}
        </button>
        <div>
          <b>{{ place(remark) }}</b>
          <template v-if="changing === remark.id">
            <textarea v-model="changed" rows="3" maxlength="2000" aria-label="Remark" />
            <button class="chip" @click="finishChange(remark)">Keep</button>
          </template>
          <p v-else>{{ remark.text }}</p>
          <div v-if="changing !== remark.id" class="acts">
            <button class="link" @click="startChange(remark)">Change</button>
            <button class="link" @click="attempt(() => review.removeRemark(remark.id))">Remove</button>
          </div>
        </div>
      </li>
    </ol>
    <RemarkForm
      v-model="review.draft"
      :time="review.time!"
      :lane-name="lane"
      :span="span"
      @span="(s) => emit('span', s)"
      @pin="(text) => span && pin(span, text)"
    />

    <h2><label for="comment">About the whole</label></h2>
    <textarea
      id="comment"
      class="comment"
      rows="4"
      maxlength="5000"
      :value="review.comment"
      placeholder="A sentence or two for the student"
      @input="review.write(($event.target as HTMLTextAreaElement).value)"
    />
    <p class="soft state" role="status">
      {{ review.saveState === 'saved' ? 'Saved' : review.saveState === 'saving' ? 'Saving …' : 'Not saved' }}
    </p>
  </aside>
</template>

<style scoped>
.say {
  display: grid;
  gap: 10px;
  align-content: start;
  padding: 14px 16px 24px;
  overflow-y: auto;
  border-left: 1px solid var(--rule);
  background: var(--sheet);
}

h2 {
  font-size: 19px;
}

h2:not(:first-child) {
  margin-top: 8px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}

h3 {
  font-size: 15px;
}

.levels {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: 1fr;
  gap: 4px;
  margin-top: 4px;
}

.levels .chip {
  justify-content: center;
  padding: 2px 4px;
  font-size: 13px;
}

ol {
  display: grid;
  gap: 10px;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 10px;
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

.state {
  font-size: 14px;
}
</style>
