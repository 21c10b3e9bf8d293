<script setup lang="ts">
import { ref } from 'vue'
import { t } from '../../words/t'
import TextField from '../fields/TextField.vue'
import type { Column } from '../tables/column'
import DataTable from '../tables/DataTable.vue'
import FigureTable from '../tables/FigureTable.vue'
import SpecimenRow from './SpecimenRow.vue'

interface Row {
  readonly id: string
  readonly name: string
  readonly bars: number
}
const rows: readonly Row[] = (['class', 'song', 'assignment'] as const).map((step, i) => ({
  id: String(i),
  name: t(`home.step.${step}`),
  bars: 32 - i * 8,
}))
const columns: readonly Column<Row>[] = [
  { key: 'name', title: t('class.name'), value: (row) => row.name },
  { key: 'bars', title: t('figures.title'), value: (row) => row.bars, end: true },
]
const search = ref('')
const chosen = ref<readonly string[]>([])
</script>

<template>
  <SpecimenRow name="DataTable">
    <TextField v-model="search" :label="t('songs.search')" />
    <DataTable
      v-model:chosen="chosen"
      :label="t('class.name')"
      :rows="rows"
      :columns="columns"
      :search="search"
      sorted="name"
      chooses
    />
  </SpecimenRow>
  <SpecimenRow name="FigureTable">
    <FigureTable :label="t('figures.title')">
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">{{ row.name }}</th>
          <td>{{ row.bars }}</td>
        </tr>
      </tbody>
    </FigureTable>
  </SpecimenRow>
</template>
