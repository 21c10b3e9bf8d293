import type { EChartsCoreOption } from 'echarts/core'

/** What a picture adds to its frame: what is drawn, and by which values. */
export type PictureOption = EChartsCoreOption
