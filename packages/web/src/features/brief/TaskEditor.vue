<script setup lang="ts">
/** One task of the brief as it is written: words, lanes, bars, checks, hints, weight. */
import type { BriefTask } from '@rudlo/core/brief'
import { CHECK_KINDS, type Check } from '@rudlo/core/checks'
import { computed } from 'vue'
import { useBrief } from './brief-store'
import CheckEditor from './CheckEditor.vue'
import PlaceField from './PlaceField.vue'
import AppButton from '../../ui/buttons/AppButton.vue'

const props = defineProps<{ task: BriefTask }>()
const store = useBrief()
const HINTS = ['What to listen for', 'Where', 'Show: words beside the form'] as const

const change = (by: Partial<BriefTask>) => store.changeTask(props.task.id, by)
const text = (event: Event) => (event.target as HTMLInputElement).value

const sections = computed(() => {
  const { song } = store
  return (song?.sections ?? []).map((s, i) => ({
    text: `${s.letter} ${s.name}`,
    from: s.tick,
    to: song!.sections[i + 1]?.tick ?? song!.length,
  }))
})

function setHint(level: number, words: string): void {
  const hints = [0, 1, 2].map((i) => (i === level ? words : (props.task.hints[i] ?? '')))
  while (hints.length && !hints.at(-1)!.trim()) hints.pop()
  change({ hints })
}

function toggleLane(lane: string): void {
  const { lanes } = props.task
  change({ lanes: lanes.includes(lane) ? lanes.filter((l) => l !== lane) : [...lanes, lane] })
}

const setCheck = (check: Check) =>
  change({ checks: props.task.checks.map((c) => (c.id === check.id ? check : c)) })
</script>

<template>
  <div class="task">
    <label class="wide"
      >Title
      <input
        :value="task.title"
        maxlength="120"
        data-test="task-title"
        @change="change({ title: text($event) })"
        @keydown.stop
    /></label>
    <label class="wide"
      >What is to be done
      <textarea
        :value="task.text"
        rows="3"
        maxlength="4000"
        placeholder="Paragraphs, - lists, *emphasis*"
        @change="change({ text: text($event) })"
        @keydown.stop
      />
    </label>
    <div class="row">
      <PlaceField
        label="From bar"
        :tick="task.from"
        :meter="store.time!.meter"
        :length="store.song!.length"
        @place="(from) => change({ from })"
      />
      <PlaceField
        label="to bar"
        :tick="task.to"
        :meter="store.time!.meter"
        :length="store.song!.length"
        @place="(to) => change({ to })"
      />
      <span class="soft">or</span>
      <AppButton small v-for="s in sections" :key="s.from" @click="change({ from: s.from, to: s.to })">
        {{ s.text }}
      </AppButton>
    </div>
    <details :open="!task.lanes.length">
      <summary>
        Lanes:
        {{
          task.lanes.length
            ? store.lanes
                .filter((l) => task.lanes.includes(l.lane))
                .map((l) => l.text)
                .join('; ')
            : 'none: the task is about the balance'
        }}
      </summary>
      <div class="lanes">
        <label v-for="l in store.lanes" :key="l.lane"
          ><input type="checkbox" :checked="task.lanes.includes(l.lane)" @change="toggleLane(l.lane)" />
          {{ l.text }}</label
        >
      </div>
    </details>
    <h3>Checks</h3>
    <CheckEditor
      v-for="c in task.checks"
      :key="c.id"
      :check="c"
      @change="setCheck"
      @remove="change({ checks: task.checks.filter((o) => o.id !== c.id) })"
    />
    <label class="add"
      >Add a check
      <select
        value=""
        data-test="add-check"
        @change="(store.addCheck(task, text($event)), (($event.target as HTMLSelectElement).value = ''))"
        @keydown.stop
      >
        <option value="" disabled>choose …</option>
        <option v-for="k in CHECK_KINDS" :key="k.kind" :value="k.kind">{{ k.name }}</option>
      </select></label
    >
    <v-checkbox
      v-if="task.checks.length"
      :model-value="task.otherWays ?? true"
      label="Other ways count too: the same sound reached with another control"
      density="compact"
      hide-details
      data-test="other-ways"
      @update:model-value="(on) => change({ otherWays: on === true })"
    />
    <h3>Hints, opened one after the other</h3>
    <label v-for="(words, i) in HINTS" :key="words" class="wide"
      >{{ words }}
      <input :value="task.hints[i] ?? ''" maxlength="1000" @change="setHint(i, text($event))" @keydown.stop
    /></label>
    <div class="row">
      <label
        >Counts
        <input
          type="number"
          min="0"
          max="10"
          step="0.5"
          :value="task.weight"
          @change="change({ weight: Number(text($event)) })"
          @keydown.stop
        />
        times</label
      >
      <span class="push" />
      <AppButton small @click="store.duplicate(task)">Duplicate</AppButton>
      <AppButton small data-test="remove-task" @click="store.removeTask(task.id)">Remove</AppButton>
    </div>
  </div>
</template>

<style scoped>
.task {
  display: grid;
  gap: 10px;
  padding: 4px 14px 16px;
}

.wide {
  display: grid;
  gap: 3px;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}

.push {
  flex: 1;
}

textarea {
  resize: vertical;
}

h3 {
  margin-top: 4px;
  font-size: 16px;
}

.lanes {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(210px, 1fr));
  gap: 2px 12px;
  max-height: 190px;
  padding-top: 6px;
  overflow-y: auto;
  font-size: 15px;
}

.lanes label,
.add {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}

summary {
  min-height: 30px;
  cursor: pointer;
}
</style>
