import type { Picture } from '@rudlo/core/heard'
import type { SongTime } from '@rudlo/core/song'
import { barsOfHops, tickOfHop } from './hops'
import { FLOOR, type Shown } from './picture'

/** A line of a still picture: places as a share of its width, and values. Gaps part it. */
export interface StillLine {
  readonly places: readonly (readonly [x: number, value: number])[]
  readonly stroke: 'line' | 'thick' | 'dashed'
}

/** A column from 0 to a value, between two shares of the width. */
export interface StillColumn {
  readonly from: number
  readonly to: number
  readonly value: number
}

/** What a picture is drawn by where it stands still: on paper, in a row, on a telephone. By form alone, so that black will do. */
export interface StillShapes {
  /** The stretch of the song, in ticks. */
  readonly shown: Shown
  /** The lowest and the highest value, in LU. */
  readonly range: readonly [low: number, high: number]
  readonly lines: readonly StillLine[]
  readonly columns: readonly StillColumn[]
  /** A band in which values should lie. */
  readonly band: readonly [low: number, high: number] | null
}

/** Columns reach at least so far, in LU: what hardly does anything shall look so. */
const LEAST = 3

/**
 * What is drawn of a picture that stands still.
 * @param asked where the lead should stand over the rest, in LU
 * @param over the stretch that is shown, where several are to be compared; what the picture is of, if missing
 */
export function stillShapes(
  picture: Picture,
  time: SongTime,
  asked: readonly [low: number, high: number],
  over?: Shown,
): StillShapes {
  switch (picture.kind) {
    case 'fade': {
      const { first, loss, even } = picture.fade
      const shown = over ?? barsOfHops(time, first, loss.length)
      return {
        ...losses(shown),
        lines: [...lineOf(time, shown, first, even, 'dashed'), ...lineOf(time, shown, first, loss, 'thick')],
      }
    }
    case 'crossing': {
      const { first, leaves, comes, sum } = picture.crossing
      const shown = over ?? barsOfHops(time, first, sum.length)
      return {
        ...losses(shown),
        lines: [
          ...lineOf(time, shown, first, leaves, 'line'),
          ...lineOf(time, shown, first, comes, 'dashed'),
          ...lineOf(time, shown, first, sum, 'thick'),
        ],
      }
    }
    case 'build': {
      const { bars } = picture.build
      const shown = over ?? { from: bars[0]?.from ?? 0, to: bars.at(-1)?.to ?? 1 }
      return columnsOf(
        shown,
        bars.map((b) => ({ ...b, value: b.adds })),
        null,
      )
    }
    case 'balance': {
      const shown = over ?? { from: 0, to: time.length }
      return columnsOf(
        shown,
        picture.balance.bars.map((b) => ({ ...b, value: b.lead })),
        asked,
      )
    }
  }
}

const losses = (shown: Shown) => ({ shown, range: [FLOOR, 0] as const, columns: [], band: null })

function lineOf(
  time: SongTime,
  { from, to }: Shown,
  first: number,
  values: readonly (number | null)[],
  stroke: StillLine['stroke'],
): StillLine[] {
  const runs: [number, number][][] = [[]]
  values.forEach((value, i) => {
    if (value === null) return void runs.push([])
    const x = (tickOfHop(time, first + i + 0.5) - from) / (to - from)
    if (x >= 0 && x <= 1) runs.at(-1)!.push([x, Math.min(0, Math.max(FLOOR, value))])
  })
  return runs.filter((places) => places.length > 1).map((places) => ({ places, stroke }))
}

function columnsOf(
  shown: Shown,
  bars: readonly { readonly from: number; readonly to: number; readonly value: number | null }[],
  band: StillShapes['band'],
): StillShapes {
  const share = (tick: number) => (tick - shown.from) / (shown.to - shown.from)
  const inside = bars.filter((b) => b.from < shown.to && b.to > shown.from)
  const values = inside.flatMap((b) => (b.value === null ? [] : [b.value]))
  const [low, high] = [
    Math.min(-LEAST, ...values, ...(band ?? [])),
    Math.max(LEAST, ...values, ...(band ?? [])),
  ]
  return {
    shown,
    range: [Math.max(FLOOR, Math.floor(low)), Math.ceil(high)],
    lines: [],
    columns: inside.flatMap(({ from, to, value }) =>
      value === null ? [] : [{ from: share(from), to: share(to), value: Math.max(FLOOR, value) }],
    ),
    band,
  }
}
