import { clamp, type Scale } from '../scale'
import { bendThrough } from './form'
import { point, type Form, type Points } from './envelope'
import { valueAt } from './evaluate'
import { replaceSpan, shiftSpan, type LineSpan } from './span-edits'

/** The moves that can be made over a span in one action. */
export const READY_MOVES = ['fade in', 'fade out', 'lift', 'dip', 'build', 'throw', 'sweep'] as const
export type ReadyMove = (typeof READY_MOVES)[number]

/** How strong a move is at first, in dB for levels, else as a share of the travel. */
const AMOUNT = { lift: 4, dip: -6, build: 6 } as const
const SHARE = { lift: 0.15, dip: -0.2, build: 0.25 } as const
/** Where a send is thrown to, in dB. */
const THROWN = 0
/** A sweep stops a little before the ends of the travel. */
const SWEPT = [0.1, 0.9] as const

/** Whether a move makes sense for a control. @param family of the control */
export function suits(move: ReadyMove, scale: Scale, family: string): boolean {
  if (scale.kind === 'switch') return false
  if (move === 'throw') return family === 'send' || (family === 'effect' && scale.max === 1)
  if (move === 'sweep') return family === 'pan' || scale.kind === 'log'
  if (family === 'pan') return false
  return move === 'fade in' || move === 'fade out' ? scale.kind === 'level' : true
}

/** How a move gets from its one end to the other. */
export interface MoveForm {
  readonly form: Form
  readonly bend: number
}

const EVEN: MoveForm = { form: 'straight', bend: 0 }

/**
 * Makes a move over a span of a line that has points. What lies outside the span stays; a fade out that nothing follows
 * stays silent.
 * @param beat ticks of a beat there: how quickly a lift or dip comes and goes
 * @param way how a fade, a sweep or a build goes from its start to its end; as is usual for it, if not given
 */
export function makeMove(
  points: Points,
  scale: Scale,
  span: LineSpan,
  move: ReadyMove,
  beat: number,
  way?: MoveForm,
): Points {
  const { from, to } = span
  if (to - from < 4) return points
  const start = valueAt(points, scale, from)
  const end = valueAt(points, scale, to)
  const leads = (tick: number, value: number, usual = EVEN) => {
    const { form, bend } = way ?? usual
    return point(tick, value, form, bend)
  }
  const by = (kind: 'lift' | 'dip' | 'build') => (scale.kind === 'level' ? AMOUNT[kind] : SHARE[kind])
  switch (move) {
    case 'fade in':
      return replaceSpan(points, scale, span, [leads(from, scale.min), point(to, heard(end, scale))])
    case 'fade out':
      return replaceSpan(points, scale, span, [leads(from, heard(start, scale)), point(to, scale.min)])
    case 'lift':
    case 'dip':
      return shiftSpan(points, scale, span, by(move), Math.min(beat, (to - from) / 4))
    case 'build': {
      const top =
        scale.kind === 'level'
          ? clamp(heard(start, scale) + by('build'), scale.min, scale.max)
          : scale.toValue(clamp(scale.toTravel(start) + by('build'), 0, 1))
      const late = { form: 'curve', bend: bendThrough(0.35, 8) } as const
      const inner = [leads(from, start, late), point(to, top)]
      return replaceSpan(points, scale, span, inner)
    }
    case 'throw': {
      const edge = Math.min(beat / 4, (to - from) / 4)
      const high = scale.kind === 'level' ? THROWN : scale.max
      return replaceSpan(points, scale, span, [
        point(from, start),
        point(Math.round(from + edge), high),
        point(Math.round(to - edge), high),
        point(to, start),
      ])
    }
    case 'sweep':
      return replaceSpan(points, scale, span, [
        leads(from, scale.toValue(SWEPT[0])),
        point(to, scale.toValue(SWEPT[1])),
      ])
  }
}

/** A level that can be heard: the resting level of a line that is silent there is 0 dB. */
function heard(value: number, scale: Scale): number {
  return scale.kind === 'level' && value <= scale.min ? 0 : value
}
