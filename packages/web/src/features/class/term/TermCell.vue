<script setup lang="ts">
/** One student at one assignment: how far it is, what of its tasks is met, and whether it came late. A press opens the hand-in. */
import type { TermCell } from '@rudlo/contract/term'
import { computed } from 'vue'
import type { Sign } from '../../../ui/marks/sign'
import StandingSign from '../../../ui/marks/StandingSign.vue'
import { t } from '../../../words/t'
import { cellText } from './cell-words'
import TaskPips from './TaskPips.vue'

const props = defineProps<{ cell: TermCell; sign: Sign; title: string; name: string }>()

const text = computed(() => cellText(props.cell))
const label = computed(() => t('term.cell', { name: props.name, title: props.title, text: text.value }))
</script>

<template>
  <component
    :is="cell.handIn ? 'router-link' : 'span'"
    class="term-cell"
    :to="cell.handIn ? `/review/${cell.assignment}/${cell.handIn}` : undefined"
    :role="cell.handIn ? undefined : 'img'"
    :aria-label="label"
    :data-tip="text"
    data-test="cell"
    ><StandingSign :sign="sign" /><span class="more"
      ><TaskPips v-if="cell.tasks.length" :tasks="cell.tasks" /><span
        v-if="cell.late > 0"
        class="late"
        aria-hidden="true"
        >{{ t('term.late.sign') }}</span
      ></span
    ></component
  >
</template>

<style scoped>
.term-cell {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  min-width: var(--target);
  min-height: var(--target);
  padding: 0 4px;
  border-radius: var(--radius-s);
  color: inherit;
  text-decoration: none;
}

a.term-cell:hover {
  background: var(--wash);
}

.more {
  display: grid;
}

.late {
  color: var(--warm);
  font-size: var(--text-1);
  font-weight: 600;
  line-height: 1;
}
</style>
