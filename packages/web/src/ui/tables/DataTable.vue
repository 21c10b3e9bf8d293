<script setup lang="ts" generic="R extends { readonly id: string }">
/**
 * Rows of things with a name: sorted by a click on a column, filtered by what is typed, chosen by boxes. Its head stays in view; on a
 * narrow screen each row is a card; a long one draws only what is seen.
 */
import { computed, useTemplateRef, type ComponentPublicInstance } from 'vue'
import { VDataTable, VDataTableVirtual } from 'vuetify/components/VDataTable'
import { t } from '../../words/t'
import type { Column } from './column'
import { useScrollStop } from './scroll-stop'

const props = defineProps<{
  /** What it lists: said to a screen reader. */
  label: string
  rows: readonly R[]
  columns: readonly Column<R>[]
  /** What is searched for; nothing shows all. */
  search?: string | undefined
  /** Whether several can be chosen. */
  chooses?: boolean
  /** The column by which it is sorted first. */
  sorted?: string
  /** Name for tests of a row. */
  test?: string
  /** At most so high, in px: a longer one scrolls in itself. */
  height?: number
}>()
useScrollStop(useTemplateRef<ComponentPublicInstance>('table'))
const chosen = defineModel<readonly string[]>('chosen', { default: () => [] })

const headers = computed(() =>
  props.columns.map((c) => ({
    key: c.key,
    title: c.title,
    sortable: c.value !== undefined,
    align: c.end ? ('end' as const) : ('start' as const),
    value: (row: R) => c.value?.(row) ?? '',
    ...(c.width ? { width: c.width } : {}),
  })),
)
/** What is found in a row: everything that it says. */
const filter = (_: string, search: string, item?: { raw: R }) =>
  props.columns.some((c) =>
    String(item ? (c.value?.(item.raw) ?? '') : '')
      .toLowerCase()
      .includes(search.toLowerCase()),
  )
/** About how high a row is, in px: what is out of view is not made. Each is measured once it is there. */
const ROW = 53
const isLong = computed(() => props.rows.length > 60)
</script>

<template>
  <component
    :is="isLong ? VDataTableVirtual : VDataTable"
    ref="table"
    :model-value="[...chosen]"
    class="data-table"
    :aria-label="label"
    :headers="headers"
    :items="rows"
    item-value="id"
    :search="search"
    :custom-filter="filter"
    :show-select="chooses"
    :sort-by="sorted ? [{ key: sorted, order: 'asc' }] : []"
    :height="isLong ? (height ?? 560) : height"
    :item-height="isLong ? ROW : undefined"
    :items-per-page="-1"
    :row-props="{ 'data-test': test }"
    fixed-header
    hover
    hide-default-footer
    mobile-breakpoint="sm"
    density="comfortable"
    must-sort
    @update:model-value="(ids: readonly string[]) => (chosen = ids)"
  >
    <template v-for="c in columns.filter((one) => !one.title)" :key="c.key" #[`header.${c.key}`]>
      <span class="unseen">{{ t('ui.table.acts') }}</span>
    </template>
    <template v-for="c in columns" :key="c.key" #[`item.${c.key}`]="{ item }">
      <slot :name="c.key" :row="item as R">{{ c.value?.(item as R) ?? '' }}</slot>
    </template>
    <template #no-data
      ><p class="soft none">{{ t(search ? 'ui.table.none-found' : 'ui.table.none') }}</p></template
    >
  </component>
</template>

<style scoped>
.data-table {
  background: transparent;
  font-size: var(--text-2);
}

.data-table :deep(th) {
  color: var(--soft);
  font-size: var(--text-1);
  font-weight: 600;
}

.none {
  padding: var(--space-5);
}
</style>
