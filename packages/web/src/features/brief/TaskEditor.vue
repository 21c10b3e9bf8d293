<script setup lang="ts">
/** One task as it is written: words, bars, lanes, checks, hints, weight. */
import type { BriefTask } from '@rudlo/core/brief'
import { CHECK_KINDS, type Check } from '@rudlo/core/checks'
import { computed } from 'vue'
import AppButton from '../../ui/buttons/AppButton.vue'
import CheckBoxes from '../../ui/fields/CheckBoxes.vue'
import CheckField from '../../ui/fields/CheckField.vue'
import NumberField from '../../ui/fields/NumberField.vue'
import TextArea from '../../ui/fields/TextArea.vue'
import TextField from '../../ui/fields/TextField.vue'
import AppMenu from '../../ui/overlays/AppMenu.vue'
import MenuItem from '../../ui/overlays/MenuItem.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import { t } from '../../words/t'
import { useBrief } from './brief-store'
import CheckEditor from './CheckEditor.vue'
import SpanField from './SpanField.vue'

const props = defineProps<{ task: BriefTask }>()
const store = useBrief()
const HINTS = [0, 1, 2] as const

const change = (by: Partial<BriefTask>) => store.changeTask(props.task.id, by)
const lanes = computed(() => store.lanes.map((l) => ({ value: l.lane, text: l.text })))
const chosenLanes = computed(() =>
  props.task.lanes.length
    ? lanes.value
        .filter((l) => props.task.lanes.includes(l.value))
        .map((l) => l.text)
        .join('; ')
    : t('brief.lanes.none'),
)

function setHint(level: number, words: string): void {
  const hints = HINTS.map((i) => (i === level ? words : (props.task.hints[i] ?? '')))
  while (hints.length && !hints.at(-1)!.trim()) hints.pop()
  change({ hints })
}

const setCheck = (check: Check) =>
  change({ checks: props.task.checks.map((c) => (c.id === check.id ? check : c)) })
</script>

<template>
  <div class="sheet task">
    <div class="row">
      <TextField
        class="title"
        :model-value="task.title"
        :label="t('brief.task.title')"
        maxlength="120"
        data-test="task-title"
        @update:model-value="(title) => change({ title })"
        @keydown.stop
      />
      <SpanField
        class="span"
        :span="task"
        :meter="store.time!.meter"
        :length="store.song!.length"
        :label="t('brief.span')"
        :hint="t('brief.span.hint')"
        @span="(span) => change(span)"
      />
    </div>
    <TextArea
      :model-value="task.text"
      :label="t('brief.task.text')"
      :hint="t('brief.task.text.hint')"
      :rows="3"
      maxlength="4000"
      data-test="task-text"
      @update:model-value="(text) => change({ text })"
      @keydown.stop
    />
    <FoldSection :title="t('brief.lanes')" :note="chosenLanes" data-test="task-lanes">
      <CheckBoxes
        class="lanes"
        :label="t('brief.lanes')"
        :choices="lanes"
        :model-value="task.lanes"
        @update:model-value="(chosen) => change({ lanes: chosen })"
      />
    </FoldSection>

    <section class="part">
      <header>
        <h3>{{ t('brief.checks') }}</h3>
        <AppMenu :label="t('brief.checks.add')">
          <template #opener="{ opener }"
            ><AppButton v-bind="opener" small icon="add" data-test="add-check">{{
              t('brief.checks.add')
            }}</AppButton></template
          >
          <MenuItem
            v-for="k in CHECK_KINDS"
            :key="k.kind"
            :tip="k.about"
            :data-test="`check-${k.kind}`"
            @click="store.addCheck(task, k.kind)"
            >{{ k.name }}</MenuItem
          >
        </AppMenu>
      </header>
      <p v-if="!task.checks.length" class="soft">{{ t('brief.checks.none') }}</p>
      <CheckEditor
        v-for="c in task.checks"
        :key="c.id"
        :check="c"
        @change="setCheck"
        @remove="change({ checks: task.checks.filter((o) => o.id !== c.id) })"
      />
      <CheckField
        v-if="task.checks.length"
        :model-value="task.otherWays ?? true"
        :label="t('brief.other-ways')"
        data-test="other-ways"
        @update:model-value="(otherWays) => change({ otherWays })"
      />
    </section>

    <section class="part">
      <h3>{{ t('brief.hints') }}</h3>
      <TextField
        v-for="i in HINTS"
        :key="i"
        compact
        :model-value="task.hints[i] ?? ''"
        :label="t(`brief.hint.${i}`)"
        maxlength="1000"
        :data-test="`hint-${i}`"
        @update:model-value="(words) => setHint(i, words)"
        @keydown.stop
      />
    </section>

    <footer>
      <NumberField
        class="weight"
        :label="t('brief.weight')"
        :min="0"
        :max="10"
        :step="0.5"
        :model-value="task.weight"
        @update:model-value="(weight) => change({ weight: weight ?? 1 })"
        @keydown.stop
      />
      <span class="push" />
      <AppButton small icon="copy" @click="store.duplicate(task)">{{ t('brief.duplicate') }}</AppButton>
      <AppButton small icon="remove" data-test="remove-task" @click="store.removeTask(task.id)">{{
        t('brief.remove')
      }}</AppButton>
    </footer>
  </div>
</template>

<style scoped>
.task {
  display: grid;
  gap: var(--space-4);
  padding: var(--space-4) var(--space-5);
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-3);
  align-items: start;
}

.title {
  flex: 2 1 240px;
}

.span {
  flex: 1 1 200px;
}

.part {
  display: grid;
  gap: var(--space-2);
}

header,
footer {
  display: flex;
  gap: var(--space-2);
  align-items: center;
}

h3 {
  flex: 1;
  font-size: var(--text-3);
}

.weight {
  flex: 0 0 110px;
}

.push {
  flex: 1;
}

.lanes {
  max-height: 220px;
  overflow-y: auto;
}
</style>
