<script setup lang="ts">
/** What was measured of a task, number by number: a dot for everybody, what was asked for shaded. */
import type { MeasuredUnit, Strip } from '@rudlo/core/term'
import type { Part } from '@rudlo/core/saying'
import { Sayer } from '@rudlo/sentences'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import StripChart from '../../../charts/StripChart.vue'
import { attempt } from '../../../ui/forms/attempt'
import { t } from '../../../words/t'
import { useGlance } from './glance-store'
import { useTerm } from './term-store'

const props = defineProps<{ assignment: string; task: string }>()

const glance = useGlance()
const store = useTerm()
const router = useRouter()
const strips = shallowRef<readonly Strip[] | null>(null)
const problem = ref('')

watch(
  () => [props.assignment, props.task] as const,
  ([assignment, task]) =>
    attempt(
      async () => {
        problem.value = ''
        await glance.open(assignment)
        const found = await glance.strips(assignment, task)
        if (props.task === task) strips.value = found
      },
      (sentence) => (problem.value = sentence),
    ),
  { immediate: true },
)

const sayer = computed(() => {
  const view = glance.assignment?.id === props.assignment ? glance.assignment : null
  return view ? new Sayer({ song: view.songDocument, mix: view.startingMix }) : null
})

/** The smallest step that is said differently. */
const STEPS: Readonly<Partial<Record<MeasuredUnit, number>>> = {
  tick: 960,
  bars: 0.5,
  beats: 0.5,
  '%': 1,
  points: 1,
  value: 1,
}
const partOf = (value: number, unit: MeasuredUnit, of: string | null): Part =>
  unit === 'tick'
    ? { at: Math.max(0, value) }
    : unit === 'value'
      ? { value, of: of ?? '' }
      : { amount: value, unit, digits: 1 }

const shown = computed(() =>
  (strips.value ?? []).map((s) => {
    const name = sayer.value!.figure({ name: s.name, value: { count: 0 }, wanted: null }).name
    return {
      ...s,
      key: `${s.check}/${s.name}`,
      step: STEPS[s.unit] ?? 0.1,
      title: name.charAt(0).toUpperCase() + name.slice(1),
      say: (value: number) => sayer.value!.part(partOf(value, s.unit, s.of)),
      dots: s.values.map((v) => ({ id: v.handIn, who: store.nameOf(v.student), value: v.value, met: v.met })),
    }
  }),
)
const go = (handIn: string) => router.push(`/review/${props.assignment}/${handIn}`)
</script>

<template>
  <p v-if="problem" role="alert">{{ problem }}</p>
  <p v-else-if="strips && !shown.length" class="soft">{{ t('term.strips.none') }}</p>
  <div v-else-if="sayer" class="strips">
    <section v-for="s in shown" :key="s.key">
      <h3>
        {{ s.title }} <span class="soft">{{ t('term.strips.middle', { value: s.say(s.middle) }) }}</span>
      </h3>
      <StripChart
        :label="t('term.strips.label', { name: s.title })"
        :dots="s.dots"
        :low="s.low"
        :high="s.high"
        :say="s.say"
        :step="s.step"
        test="strip"
        opens
        @open="go"
      />
    </section>
  </div>
</template>

<style scoped>
.strips {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: var(--space-3) var(--space-5);
}

h3 {
  font-size: var(--text-2);
}

h3 .soft {
  font-size: var(--text-1);
  font-weight: 400;
}
</style>
