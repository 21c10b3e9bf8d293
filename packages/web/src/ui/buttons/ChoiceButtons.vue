<script setup lang="ts" generic="T extends string | number | boolean | null">
/** One of several, all in view: a radio group, in which the arrows choose and which is one stop of the Tab key. */
import { useTemplateRef } from 'vue'
import { nextOf } from './next-of'

/** One thing to choose. */
interface Choice {
  readonly value: T
  readonly text: string
  readonly tip?: string | undefined
  readonly test?: string | undefined
  readonly off?: boolean | undefined
}

const props = defineProps<{
  choices: readonly Choice[]
  /** What is chosen: said to a screen reader. */
  label: string
  /** On the dark desk at the foot of a page. */
  desk?: boolean
}>()
const chosen = defineModel<T>({ required: true })
const group = useTemplateRef<HTMLElement>('group')

function move(event: KeyboardEvent): void {
  const next = nextOf(
    event.key,
    props.choices.findIndex((c) => c.value === chosen.value),
    props.choices.map((c) => !c.off),
  )
  if (next === null) return
  event.preventDefault()
  event.stopPropagation()
  chosen.value = props.choices[next]!.value
  group.value?.querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus()
}

/** The one that the Tab key comes to: what is chosen, or the first. */
const isStop = (i: number) =>
  props.choices.some((c) => c.value === chosen.value) ? props.choices[i]!.value === chosen.value : i === 0
</script>

<template>
  <div ref="group" class="choices" :class="{ desk }" role="radiogroup" :aria-label="label" @keydown="move">
    <v-btn
      v-for="(c, i) in choices"
      :key="String(c.value)"
      class="choice"
      variant="text"
      role="radio"
      type="button"
      :ripple="false"
      :aria-checked="c.value === chosen"
      :tabindex="isStop(i) ? 0 : -1"
      :disabled="c.off ?? false"
      :data-tip="c.tip ?? (desk ? c.text : undefined)"
      :data-test="c.test"
      @click="chosen = c.value"
      ><slot :choice="c">{{ c.text }}</slot></v-btn
    >
  </div>
</template>

<style scoped>
.choices {
  display: inline-flex;
  flex: none;
  padding: 2px;
  border: 1px solid var(--rule);
  border-radius: var(--radius-l);
  background: var(--sheet);
}

.choice {
  min-width: 0;
  height: auto;
  min-height: calc(var(--target) - 6px);
  padding: 0 var(--space-3);
  border-radius: var(--radius-l);
  color: inherit;
  font-size: var(--text-1);
}

.choice[aria-checked='true'] {
  background: var(--ink);
  color: var(--sheet);
}

.choices.desk {
  flex: 0 1 auto;
  min-width: 0;
  border-color: color-mix(in srgb, var(--on-desk) 40%, transparent);
  background: transparent;
  color: var(--on-desk);
}

.choices.desk .choice {
  flex: 0 1 auto;
}

.choices.desk .choice :deep(.v-btn__content) {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
}

.choices.desk .choice[aria-checked='true'] {
  background: var(--on-desk);
  color: var(--desk);
}

@media (pointer: coarse) {
  .choices {
    padding: 0;
  }

  .choice {
    min-width: var(--target);
    min-height: var(--target);
    padding-inline: var(--space-2);
  }
}

@media (forced-colors: active) {
  .choice[aria-checked='true'] {
    forced-color-adjust: none;
    background: Highlight;
    color: HighlightText;
  }
}
</style>
