<script setup lang="ts">
/** What a brief is for: title and purpose, when its checks answer, hints and repairs. */
import { ANSWER_TIMES, type AnswerTime } from '@rudlo/core/brief'
import { useBrief } from './brief-store'

const store = useBrief()
const TIMES: Readonly<Record<AnswerTime, string>> = {
  drawing: 'while drawing',
  played: 'after the bars were played',
  asked: 'when asked',
  'handed in': 'after handing in only',
}
const text = (event: Event) => (event.target as HTMLInputElement).value
</script>

<template>
  <section class="sheet part">
    <v-text-field
      v-model="store.title"
      label="Title"
      :error-messages="store.fault('title')"
      data-test="title"
      @keydown.stop
    />
    <v-textarea
      :model-value="store.brief!.purpose"
      label="Purpose: what it is for, in a sentence or two"
      rows="2"
      maxlength="2000"
      @change="store.change({ ...store.brief!, purpose: text($event) })"
      @keydown.stop
    />
    <div class="row">
      <label
        >Checks answer
        <select
          :value="store.brief!.answers"
          data-test="answers"
          @change="store.change({ ...store.brief!, answers: text($event) as AnswerTime })"
          @keydown.stop
        >
          <option v-for="t in ANSWER_TIMES" :key="t" :value="t">{{ TIMES[t] }}</option>
        </select></label
      >
      <label
        >Hints after
        <input
          type="number"
          min="0"
          max="20"
          :value="store.brief!.hintsAfter"
          @change="store.change({ ...store.brief!, hintsAfter: Number(text($event)) })"
          @keydown.stop
        />
        tries</label
      >
      <label
        ><input
          type="checkbox"
          :checked="store.brief!.repairs"
          @change="store.change({ ...store.brief!, repairs: !store.brief!.repairs })"
        />
        offer repairs for mistakes</label
      >
    </div>
  </section>
</template>

<style scoped>
.part {
  display: grid;
  gap: 10px;
  padding: 16px 18px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}

.row label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}

input[type='number'] {
  width: 68px;
}
</style>
