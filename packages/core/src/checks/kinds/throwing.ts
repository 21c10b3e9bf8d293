import { words } from '@rudlo/words'
import {
  type Finding,
  amount,
  at,
  laneOf,
  late,
  moveIn,
  passes,
  say,
  span,
  valued,
  valueOf,
  wanted,
} from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** A throw: a send or wet value that opens for a moment. */
export const throwing = checkKind({
  kind: 'throw',
  needs: 'lines',
  fields: {
    lane: lane('send-or-wet'),
    from: place('opens-by'),
    to: place('is-closed-again-by'),
    least: number('opens-to-at-least', 'db-or-percent', -12, -60, 100),
    beats: number('off-place', 'beats', 1, 0.25, 8),
  },
  impossible: ({ from, to }) => (to <= from ? words('impossible.close-after-opens') : null),
  judge(evidence, { lane, from, to, least, beats }): Finding {
    const name = laneOf(lane)
    const { mix, time } = evidence
    const { beat, bar } = time.meter.lengthsAt(from)
    const percent = resolve(mix, lane)?.control.scale.kind === 'linear'
    const move = moveIn(evidence, lane, ['throw', 'lift'], from - beat * 2, to + beat * 2)
    if (!move) {
      const kinds = ['rise', 'fade in', 'jump up', 'build'] as const
      const open = moveIn(evidence, lane, kinds, from - beat * 2, to)
      const after = Math.min(time.length, to + bar)
      const parts = {
        name,
        bars: span(from, to),
        at: at(open?.start ?? from),
        after: at(after),
        value: valued(lane, valueOf(mix, lane, after)),
      }
      return found('not yet', say(open ? 'check.throw.open' : 'check.throw.none', parts), { lane, from, to })
    }
    const goal = percent ? move.goal * 100 : move.goal
    const high = goal >= least ? 'met' : goal >= least - (percent ? 20 : 6) ? 'close' : 'not yet'
    // for the ear it is open there, whatever a hand still does above
    const opens = passes(evidence, move, percent ? least / 100 : least)
    const ask = percent ? amount(least, '%', 0) : amount(least, 'dB')
    const parts = {
      name,
      value: valued(lane, move.goal),
      asked: ask,
      at: at(move.start),
      end: at(move.end),
      bars: amount(move.bars, 'bars'),
    }
    return conclude(
      { lane, from: move.start, to: move.end },
      [
        { name: 'opens', value: at(opens), wanted: wanted('is', at(from)) },
        { name: 'closes', value: at(move.end), wanted: wanted('is', at(to)) },
        { name: 'opens-to', value: valued(lane, move.goal), wanted: wanted('least', ask) },
      ],
      [
        {
          verdict: verdictOf((opens - from) / beat, beats),
          says: say('check.throw.opens', {
            ...parts,
            at: at(opens),
            late: late(evidence, opens, from),
          }),
        },
        {
          verdict: verdictOf(Math.max(0, (move.end - to) / beat), beats),
          says: say('check.throw.closes', { ...parts, late: late(evidence, move.end, to) }),
        },
        { verdict: high, says: say('check.throw.little', parts) },
      ],
      say('check.throw.met', parts),
    )
  },
})
