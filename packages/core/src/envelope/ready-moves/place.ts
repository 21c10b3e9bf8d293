import type { MeterMap, TempoMap } from '../../time'
import type { LineSpan } from '../span-edits'
import { leadOf } from './lead'
import type { MovePlace } from './moves'

/** What is known of where a move is made. */
export interface Surroundings {
  /** Where sounds begin on the track, in ticks. */
  readonly onsets?: readonly number[]
  /** Where the parts of the song begin, in ticks. */
  readonly sections?: readonly number[]
  /** Whether what the lane moves rings on, as a return does: it is let go slowly. */
  readonly rings?: boolean
}

/** What rings is let go over so many bars. */
const RINGING_BARS = 2

/** Where a move over some bars of a song is made. */
export function movePlace(
  { meter, tempo, length }: { readonly meter: MeterMap; readonly tempo: TempoMap; readonly length: number },
  span: LineSpan,
  { onsets = [], sections = [], rings = false }: Surroundings = {},
): MovePlace {
  const { beat, bar } = meter.lengthsAt(span.from)
  const seconds = tempo.secondsAt(span.from + beat) - tempo.secondsAt(span.from)
  const lead = leadOf(beat, seconds)
  return {
    span,
    beat,
    length,
    lead,
    onsets,
    arrives: [...sections, length].some((tick) => tick > 0 && Math.abs(tick - span.to) <= beat),
    letGo: rings ? RINGING_BARS * bar : lead,
  }
}
