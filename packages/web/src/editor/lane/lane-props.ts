import type { Chosen, Points } from '@rudlo/core/envelope'
import type { Mix } from '@rudlo/core/mix'
import type { SongTime, SongVersion } from '@rudlo/core/song'
import type { Kin } from './lane-sign'
import type { LiveLine } from './line-front'
import type { Span } from './viewport'

/** A remark where it is pinned, in ticks. */
export interface Pin {
  readonly id: string
  readonly number: number
  readonly from: number
  readonly to: number
}

/** What every lane shows. Places are ticks. */
export interface LaneProps {
  song: SongVersion
  time: SongTime
  mix: Mix
  address: string
  /** Which lane of its family on the desk it is; the first, if not given. */
  kin?: Kin | undefined
  /** The stretch in view. */
  span: Span
  /** Whether hands take hold of something above the line: a finger needs room there. */
  held?: boolean | undefined
  /** The point that is selected, or −1. */
  selected: number
  /** All points that are selected, where they are several. */
  chosen?: Chosen | undefined
  /** What moves with every frame under a hand: the points, what they sound like, what is said of one. */
  live?: (() => LiveLine) | undefined
  /** Whose loudness that is, in words. */
  whose?: string | undefined
  /** Places where the mix is over. */
  overs?: readonly number[] | undefined
  /** Whether the line is hidden, to listen without looking. */
  blank?: boolean | undefined
  /** Drawn under the line, for comparison. */
  faint?: readonly Points[] | undefined
  /** Whether what lies between the line and the first faint one is shaded. */
  shaded?: boolean | undefined
  /** Shaded: a task, a span for a remark. */
  marked?: Span | null | undefined
  /** A place that somebody points at just now. */
  pointed?: Span | null | undefined
  /** Numbered pins. */
  pins?: readonly Pin[] | undefined
  pinned?: string | null | undefined
}
