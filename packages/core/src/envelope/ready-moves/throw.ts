import { point, type Points } from '../envelope'
import { replaceSpan } from '../span-edits'
import { unlessThere, type Making } from './making'

/** So much of a beat before its note a throw is open, and so much before the next it is shut. */
const AHEAD = 1 / 8
/** Opening and shutting take so much of a beat. */
const QUICK = 1 / 8
/** A note that begins so much of a beat before the bars that were chosen is meant by them. */
const EARLY = 1 / 4

/**
 * Opens just before a note and shuts before the next one: where sounds begin on the track, if that is known, else where the bars
 * begin and end.
 */
export function throwOpen({ points, control, place, start, amount }: Making): Points {
  const { scale, unit } = control
  const { span, beat, length, onsets = [] } = place
  unlessThere(scale.toTravel(start) >= scale.toTravel(amount) - 1e-6, unit.format(start))
  const note = onsets.find((tick) => tick >= span.from - beat * EARLY && tick < span.to) ?? span.from
  const next = onsets.find((tick) => tick > note && tick >= span.to - beat * EARLY) ?? span.to
  const open = Math.round(Math.max(0, note - beat * AHEAD))
  const shut = Math.round(Math.min(length, Math.max(open + beat / 2, next - beat * AHEAD)))
  const quick = Math.min(Math.round(beat * QUICK), Math.floor((shut - open) / 4))
  const begin = Math.max(0, open - quick)
  return replaceSpan(points, scale, { from: begin, to: shut }, [
    point(begin, start),
    point(begin + quick, amount),
    point(shut - quick, amount),
    point(shut, start),
  ])
}
