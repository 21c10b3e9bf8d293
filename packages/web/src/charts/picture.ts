import type { EChartsCoreOption } from 'echarts/core'

/** What a picture adds to its frame: what is drawn, and by which values. */
export type PictureOption = EChartsCoreOption

/** A note beside what is drawn: at a tick, at a value. */
export interface PictureNote {
  readonly tick: number
  readonly value: number
  readonly text: string
}
