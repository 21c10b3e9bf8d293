<script setup lang="ts">
/** Who changed what in a class, newest first. */
import type { TrailView } from '@rudlo/contract/people'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { server, told } from '../../../api/client'
import { attempt } from '../../../ui/forms/attempt'
import RoomState from '../../../ui/page/RoomState.vue'
import type { Column } from '../../../ui/tables/column'
import DataTable from '../../../ui/tables/DataTable.vue'
import { whenText } from '../../../words/dates'
import { t } from '../../../words/t'
import { deedName } from './deed-name'

const props = defineProps<{ group: string }>()
const trail = shallowRef<readonly TrailView[] | null>(null)
const problem = ref('')

type Row = TrailView & { readonly id: string }
const rows = computed<readonly Row[]>(() => (trail.value ?? []).map((one, i) => ({ ...one, id: String(i) })))
const columns: readonly Column<Row>[] = [
  { key: 'at', title: t('class.changes.when'), value: (r) => r.at },
  { key: 'who', title: t('class.changes.who'), value: (r) => r.who },
  { key: 'what', title: t('class.changes.what'), value: (r) => deedName(r.what) },
  { key: 'whom', title: t('class.changes.whom'), value: (r) => r.whom ?? r.assignment ?? '' },
]

async function load(): Promise<void> {
  problem.value = ''
  await attempt(
    async () =>
      (trail.value = await told(server.groups[':group'].trail.$get({ param: { group: props.group } }))),
    (sentence) => (problem.value = sentence),
  )
}
onMounted(load)
</script>

<template>
  <section class="sheet" data-test="trail">
    <RoomState
      :problem="problem"
      :loading="!trail"
      :empty="trail?.length === 0 ? { title: t('class.tab.changes'), text: t('class.changes.none') } : null"
      @again="load"
    >
      <template #room>
        <DataTable :label="t('class.tab.changes')" :rows="rows" :columns="columns">
          <template #at="{ row }">{{ whenText(row.at) }}</template>
        </DataTable>
      </template>
    </RoomState>
  </section>
</template>

<style scoped>
section {
  padding: var(--space-2) var(--space-3);
}
</style>
