<script setup lang="ts">
/**
 * What every chart of a class has: the project's theme, keys that walk through it and say each entry, a press that opens one, and a
 * table that says the same. It stands still: nothing in it moves by itself.
 */
import { useElementSize } from '@vueuse/core'
import { BarChart, CustomChart, ScatterChart } from 'echarts/charts'
import { AriaComponent, GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components'
import { init, use, type EChartsType } from 'echarts/core'
import { SVGRenderer } from 'echarts/renderers'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import AppButton from '../ui/buttons/AppButton.vue'
import FigureTable from '../ui/tables/FigureTable.vue'
import { DARK, LIGHT } from '../ui/theme/palette'
import { useThemeChoice } from '../ui/theme/theme-store'
import { t } from '../words/t'
import type { ChartEntry, ChartOption, ChartTable } from './chart'

const props = defineProps<{
  /** What it shows, for who cannot see it. */
  label: string
  option: ChartOption
  /** In the order in which keys walk through them. Drawn data carry the same ids. */
  entries: readonly ChartEntry[]
  table: ChartTable
  test: string
  /** In px. */
  height: number
  /** Whether an entry leads somewhere. */
  opens?: boolean
}>()
const emit = defineEmits<{ open: [id: string] }>()

use([
  BarChart,
  ScatterChart,
  CustomChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  AriaComponent,
  SVGRenderer,
])

const theme = useThemeChoice()
const palette = computed(() => (theme.name === 'dark' ? DARK : LIGHT))
const box = ref<HTMLElement>()
const { width, height: tall } = useElementSize(box)
const asTable = ref(false)
/** The entry that keys have come to; −1 before they are used. */
const at = ref(-1)
let chart: EChartsType | null = null

const drawn = computed(() =>
  props.option(palette.value, {
    color: palette.value.soft,
    fontFamily: 'inherit',
    fontSize: 13,
  }),
)

function draw(): void {
  if (!chart || !box.value) return
  const { fontFamily } = getComputedStyle(box.value)
  chart.setOption(
    {
      animation: false,
      aria: { enabled: true, label: { description: props.label } },
      textStyle: { fontFamily, fontSize: 13, color: palette.value.soft },
      ...drawn.value,
    },
    { notMerge: true },
  )
}

const idOf = (data: unknown): string | null =>
  typeof data === 'object' && data !== null && 'id' in data ? String(data.id) : null

function start(): void {
  chart?.dispose()
  chart = null
  if (!box.value) return
  chart = init(box.value, null, { renderer: 'svg' })
  chart.on('click', ({ data }) => {
    const id = idOf(data)
    if (id && props.opens) emit('open', id)
  })
  draw()
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }
function key(event: KeyboardEvent): void {
  const last = props.entries.length - 1
  const by = STEPS[event.key]
  if (by) at.value = Math.min(last, Math.max(0, at.value + by))
  else if (event.key === 'Home') at.value = Math.min(0, last)
  else if (event.key === 'End') at.value = last
  else if (event.key === 'Enter' && props.opens && props.entries[at.value])
    emit('open', props.entries[at.value]!.id)
  else return
  event.preventDefault()
  event.stopPropagation()
}

onMounted(start)
watch(box, start, { flush: 'post' })
watch([width, tall, drawn], () => {
  chart?.resize()
  draw()
})
onBeforeUnmount(() => chart?.dispose())
</script>

<template>
  <figure class="chart-frame" :data-test="test">
    <FigureTable v-if="asTable" :label="label">
      <thead>
        <tr>
          <th v-for="h in table.head" :key="h" scope="col">{{ h }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in table.rows" :key="i">
          <td v-for="(cell, k) in row" :key="k">{{ cell }}</td>
        </tr>
      </tbody>
    </FigureTable>
    <div
      v-else
      class="drawn"
      role="application"
      tabindex="0"
      :aria-label="label"
      @keydown="key"
      @blur="at = -1"
    >
      <div ref="box" class="chart" :class="{ opens }" :style="{ height: `${height}px` }" aria-hidden="true" />
      <p class="said" role="status">{{ at < 0 ? '' : entries[at]?.text }}</p>
    </div>
    <AppButton
      tone="quiet"
      small
      class="other"
      :aria-pressed="asTable"
      :data-test="`${test}-table`"
      @click="asTable = !asTable"
      >{{ t('chart.table') }}</AppButton
    >
  </figure>
</template>

<style scoped>
.chart-frame {
  position: relative;
  min-width: 0;
  margin: 0;
}

.drawn {
  position: relative;
  border-radius: var(--radius-s);
}

.chart {
  width: 100%;
}

.opens :deep(path),
.opens :deep(text) {
  cursor: pointer;
}

.said {
  position: absolute;
  top: 0;
  right: 0;
  padding: 2px var(--space-2);
  border-radius: var(--radius-s);
  background: var(--desk);
  color: var(--on-desk);
  font-size: var(--text-1);
  pointer-events: none;
}

.said:empty {
  display: none;
}

.other {
  justify-self: end;
  color: var(--soft);
}

@media print {
  .other {
    display: none;
  }
}
</style>
