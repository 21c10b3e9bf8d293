<script setup lang="ts">
/** What a picture shows, in figures. */
import FigureTable from '../../ui/tables/FigureTable.vue'
import type { PictureTable } from './picture-words'

defineProps<{ title: string; table: PictureTable }>()
</script>

<template>
  <FigureTable :label="title">
    <thead>
      <tr>
        <th v-for="h in table.head" :key="h" scope="col">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="[about, ...figures] in table.rows" :key="about">
        <th scope="row">{{ about }}</th>
        <td v-for="(f, i) in figures" :key="i">{{ f }}</td>
      </tr>
    </tbody>
  </FigureTable>
</template>
