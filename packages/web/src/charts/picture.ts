import type { EChartsCoreOption } from 'echarts/core'

/** What a picture adds to its frame: what is drawn, and by which values. */
export type PictureOption = EChartsCoreOption

/** One line of a legend: the colour as CSS takes it, and how it is drawn. */
export interface LegendEntry {
  readonly name: string
  readonly colour: string
  readonly stroke: 'line' | 'dashed' | 'dotted' | 'area'
}

/** Another mix's picture of the same thing, under its name. */
export interface Beside<T> {
  readonly name: string
  readonly picture: T
}

/** The stretch that a picture shows, in ticks, where something else says it. */
export interface Shown {
  readonly from: number
  readonly to: number
}

/** Where the bars of a picture begin and end, in px from its edges. */
export interface Sides {
  readonly left: number
  readonly right: number
}

/** Names of the two ends of a move: beside their lines, inside the picture. */
export const edgeLabels = (
  { from, to }: Shown,
  begins: { readonly tick: number; readonly text: string },
  ends: { readonly tick: number; readonly text: string },
) =>
  [begins, ends].map(({ tick, text }, i) => ({
    xAxis: tick,
    label: { formatter: text, align: i && tick > from + (to - from) * 0.85 ? 'right' : 'left' },
  }))

/** The scale of levels, for all pictures in which something gets softer. */
export const lossAxis = (colour: string, rule: string, label: (lu: number) => string) => ({
  type: 'value',
  min: FLOOR,
  max: 0,
  interval: 12,
  name: 'LU',
  nameLocation: 'middle',
  nameGap: 34,
  axisLabel: { color: colour, formatter: label },
  splitLine: { lineStyle: { color: rule, opacity: 0.6 } },
})

/** How far down a loss is drawn, in LU: below, nothing is heard. */
export const FLOOR = -48
