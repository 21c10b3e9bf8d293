import type { EChartsCoreOption } from 'echarts/core'
import type { Palette } from '../ui/theme/palette'

/** What a chart draws in the colours of the theme. */
export type ChartOption = (palette: Palette, text: ChartText) => EChartsCoreOption

/** How words in a chart are set. */
export interface ChartText {
  readonly color: string
  readonly fontFamily: string
  readonly fontSize: number
}

/** One thing in a chart that can be come to: by a press, or by keys. */
export interface ChartEntry {
  readonly id: string
  /** What it is and says, for who walks through by keys. */
  readonly text: string
}

/** The same as a chart says, as a table. */
export interface ChartTable {
  readonly head: readonly string[]
  readonly rows: readonly (readonly string[])[]
}
