<script setup lang="ts">
/** What the checks of a task say: one sentence each, its place shown and played by a click, figures for those who want them. */
import type { CheckPlace } from '@rudlo/core/evidence'
import type { SaidCheck } from '@rudlo/sentences'
import VerdictSign from './VerdictSign.vue'
import RowButton from '../../ui/buttons/RowButton.vue'
import FoldSection from '../../ui/page/FoldSection.vue'
import FigureTable from '../../ui/tables/FigureTable.vue'
import { t } from '../../words/t'

const props = defineProps<{
  checks: readonly SaidCheck[]
  before?: readonly SaidCheck[] | undefined
  /** Whether something changed since. */
  stale?: boolean | undefined
}>()
const emit = defineEmits<{ show: [place: CheckPlace] }>()

/** A figure as it was before. */
const earlier = (check: string, name: string): string =>
  props.before?.find((b) => b.check === check)?.finding.figures.find((f) => f.name === name)?.value ?? '–'
</script>

<template>
  <ul class="checks" :class="{ stale }">
    <li v-for="c in checks" :key="c.check" data-test="check" :data-verdict="c.finding.verdict">
      <RowButton class="finding" :tip="t('guide.check.show')" @click="emit('show', c.finding.place)">
        <VerdictSign :verdict="c.finding.verdict" />
        <span>{{ c.finding.sentence }}</span>
      </RowButton>
      <p v-if="c.overruled" class="word" data-test="teacher-says">
        {{ t('guide.check.overruled') }}<template v-if="c.overruled.why">: “{{ c.overruled.why }}”</template>.
      </p>
      <FoldSection v-if="c.finding.figures.length" class="figures" :title="t('guide.check.figures')">
        <FigureTable :label="c.name">
          <thead>
            <tr>
              <th scope="col">{{ c.name }}</th>
              <th v-if="before" scope="col">{{ t('guide.check.before') }}</th>
              <th scope="col">{{ t('guide.check.now') }}</th>
              <th scope="col">{{ t('guide.check.asked') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="f in c.finding.figures" :key="f.name">
              <th scope="row">{{ f.name }}</th>
              <td v-if="before">{{ earlier(c.check, f.name) }}</td>
              <td>{{ f.value }}</td>
              <td>{{ f.wanted || '–' }}</td>
            </tr>
          </tbody>
        </FigureTable>
      </FoldSection>
    </li>
  </ul>
</template>

<style scoped>
.checks {
  display: grid;
  gap: 4px;
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}

.stale {
  opacity: 0.66;
}

.finding {
  display: flex;
  gap: 9px;
  width: 100%;
  min-height: 32px;
  padding: 5px 6px;
  border: 0;
  border-radius: 8px;
  background: none;
  color: var(--ink);
  font: inherit;
  font-size: 15px;
  line-height: 1.35;
  text-align: left;
  cursor: pointer;
}

.finding:hover {
  background: color-mix(in srgb, var(--ink) 7%, transparent);
}

.figures,
.word {
  padding-left: 35px;
  font-size: 14px;
}
</style>
