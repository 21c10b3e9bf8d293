<script setup lang="ts">
/** What an assignment is for: title and purpose, when its checks answer, hints and repairs. */
import { ANSWER_TIMES, type AnswerTime } from '@rudlo/core/brief'
import { recordedTracks, TEMPO } from '@rudlo/core/mix'
import { listText } from '@rudlo/words'
import { computed } from 'vue'
import CheckField from '../../ui/fields/CheckField.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import SelectField from '../../ui/fields/SelectField.vue'
import TextArea from '../../ui/fields/TextArea.vue'
import TextField from '../../ui/fields/TextField.vue'
import PageSection from '../../ui/page/PageSection.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'

const store = useBrief()
/** Why the tempo cannot be drawn; empty where it can. */
const keepsTempo = computed(() => {
  const song = store.song!
  const names = recordedTracks(song).map((track) => track.name)
  if (!names.length) return ''
  if (names.length === song.tracks.length) return t('brief.tempo.all')
  return t('brief.tempo.some', { n: names.length, names: listText(names) })
})
const times = ANSWER_TIMES.map((value) => ({ value, text: t(`brief.when.${value}`) }))
</script>

<template>
  <PageSection :title="t('brief.part.about')">
    <TextField
      v-model="store.title"
      :label="t('brief.title')"
      :fault="store.fault('title')"
      data-test="title"
      @keydown.stop
    />
    <TextArea
      :model-value="store.brief!.purpose"
      :label="t('brief.purpose')"
      :rows="3"
      maxlength="2000"
      data-test="purpose"
      @update:model-value="(purpose) => store.change({ ...store.brief!, purpose })"
      @keydown.stop
    />
    <div class="row">
      <SelectField
        class="answers"
        :label="t('brief.answers')"
        :choices="times"
        :model-value="store.brief!.answers"
        data-test="answers"
        @update:model-value="(answers: AnswerTime) => store.change({ ...store.brief!, answers })"
        @keydown.stop
      />
      <NumberField
        class="hints"
        :label="t('brief.hints-after')"
        :unit="t('brief.hints-after.unit')"
        :min="0"
        :max="20"
        :model-value="store.brief!.hintsAfter"
        @update:model-value="(n) => store.change({ ...store.brief!, hintsAfter: Math.round(n ?? 0) })"
        @keydown.stop
      />
    </div>
    <CheckField
      :model-value="store.brief!.repairs"
      :label="t('brief.repairs')"
      @update:model-value="(repairs) => store.change({ ...store.brief!, repairs })"
    />
    <CheckField
      :model-value="store.brief!.open.includes(TEMPO)"
      :label="t('brief.tempo')"
      :hint="keepsTempo || undefined"
      :disabled="Boolean(keepsTempo)"
      data-test="open-tempo"
      @update:model-value="store.openLane(TEMPO, $event)"
    />
  </PageSection>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
}

.answers {
  flex: 1 1 240px;
}

.hints {
  flex: 0 0 190px;
}
</style>
