<script setup lang="ts">
/** Who changed what in a group, newest first. */
import { ref, shallowRef } from 'vue'
import { server, told } from '../../api/client'
import { attempt } from '../../ui/forms/attempt'
import { whenText } from '../../words/dates'
import type { TrailView } from '@rudlo/contract/people'

const props = defineProps<{ group: string }>()
const trail = shallowRef<readonly TrailView[] | null>(null)
const problem = ref('')

async function load(event: Event): Promise<void> {
  if (!(event.target as HTMLDetailsElement).open || trail.value) return
  await attempt(
    async () =>
      (trail.value = await told(server.groups[':group'].trail.$get({ param: { group: props.group } }))),
    (sentence) => (problem.value = sentence),
  )
}
</script>

<template>
  <details class="sheet block" data-test="trail" @toggle="load">
    <summary>What was changed, and by whom</summary>
    <p v-if="problem" role="alert">{{ problem }}</p>
    <p v-else-if="trail && !trail.length" class="soft">Nothing yet.</p>
    <table v-else-if="trail">
      <tbody>
        <tr v-for="(t, i) in trail" :key="i">
          <td class="soft">{{ whenText(t.at) }}</td>
          <td>{{ t.who }}</td>
          <td>{{ t.what }}</td>
          <td>{{ t.whom ?? t.assignment ?? '' }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
.block {
  padding: 14px 20px;
}

summary {
  min-height: 30px;
  font-weight: 600;
  cursor: pointer;
}

td {
  padding: 2px 18px 2px 0;
  font-size: 14px;
}
</style>
