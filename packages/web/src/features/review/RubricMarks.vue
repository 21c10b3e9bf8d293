<script setup lang="ts">
/** Marks by the rubric. What was measured proposes some, dashed, with its reason; the teacher decides. */
import { refOfMark, WHY_LENGTH } from '@rudlo/core/brief'
import { saidProposal } from '@rudlo/sentences'
import { computed, ref } from 'vue'
import { useReview } from './review-store'
import RubricDialog from './RubricDialog.vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import { t } from '../../words/t'
import TextArea from '../../ui/fields/TextArea.vue'

const review = useReview()
const editing = ref(false)
const rubric = computed(() => review.assignment!.rubric)
const open = computed(() =>
  rubric.value.criteria.some((c) => review.proposals[c.id] && review.marks[c.id] === undefined),
)
/** What the level that counts means: the chosen one, else the proposed. */
function says(id: string): string {
  const criterion = rubric.value.criteria.find((c) => c.id === id)!
  const level = review.marks[id] ?? review.proposals[id]?.level
  return level === undefined ? criterion.about : criterion.says[level] || criterion.about
}
</script>

<template>
  <div class="head">
    <h2>{{ t('marks.title') }}</h2>
    <AppButton small data-test="edit-rubric" @click="editing = true">
      <v-icon icon="$write" size="16" />{{ t('marks.rubric') }}
    </AppButton>
  </div>
  <section v-for="criterion in rubric.criteria" :key="criterion.id" class="criterion">
    <h3 :id="`criterion-${criterion.id}`" :title="criterion.about">{{ criterion.name }}</h3>
    <div class="levels" role="group" :aria-labelledby="`criterion-${criterion.id}`">
      <AppButton
        v-for="(level, i) in rubric.levels"
        :key="level"
        small
        :class="{ proposed: review.proposals[criterion.id]?.level === i }"
        :aria-pressed="review.marks[criterion.id] === i"
        :tip="criterion.says[i]"
        @click="review.mark(criterion.id, i)"
      >
        {{ level }}
      </AppButton>
    </div>
    <p class="soft says">
      {{ says(criterion.id) }}
      <template v-if="review.proposals[criterion.id]">
        <i data-test="reason">{{ saidProposal(review.proposals[criterion.id]!) }}</i>
      </template>
    </p>
    <TextArea
      v-if="review.isOtherMark(criterion.id)"
      :model-value="review.overrules[refOfMark(criterion.id)]?.why ?? ''"
      compact
      :rows="1"
      class="why"
      :maxlength="WHY_LENGTH"
      :aria-label="t('marks.why.label', { name: criterion.name })"
      :label="t('marks.why')"
      data-test="why-mark"
      @update:model-value="
        (why: string) => review.overrule(refOfMark(criterion.id), why ? { verdict: null, why } : null)
      "
      @keydown.stop
    />
  </section>
  <AppButton v-if="open" small class="take" data-test="take-proposals" @click="review.takeProposals()">
    {{ t('marks.use') }}
  </AppButton>
  <RubricDialog v-model="editing" />
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
}

h2 {
  font-size: 19px;
}

h3 {
  font-size: 15px;
}

.levels {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(52px, 1fr));
  gap: 4px;
  margin-top: 4px;
}

.levels > * {
  min-width: 0;
  padding-inline: var(--space-1);
}

.proposed:not([aria-pressed='true']) {
  border: 1.5px dashed var(--ink);
}

.says {
  margin-top: 3px;
  font-size: 13px;
  line-height: 1.3;
}

.why {
  margin: 8px 0 4px;
}

.take {
  justify-self: start;
}
</style>
