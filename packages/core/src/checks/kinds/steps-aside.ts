import { words } from '@rudlo/words'
import {
  type Finding,
  amount,
  at,
  laneOf,
  late,
  moveIn,
  say,
  span,
  valued,
  valueOf,
  wanted,
} from '../../evidence'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** Faster than this is a jump to the ear, in ticks of a move. */
const SUDDEN_TICKS = 60

/** A dip or a lift: there in time, as far as it should, and back. */
export function aside(kind: 'dip' | 'lift') {
  const down = kind === 'dip'
  const way = down ? 'down' : 'up'
  const key = `check.${kind}`
  return checkKind({
    kind,
    needs: 'lines',
    fields: {
      lane: lane(),
      from: place('is-there-by'),
      to: place('comes-back-from'),
      depth: number('by', 'dB', 6, 0.5, 60),
      tolerance: number('give-or-take', 'dB', 2.5, 0.25, 30),
      beats: number('off-place', 'beats', 1, 0.25, 8),
    },
    impossible: ({ from, to, depth, tolerance }) =>
      to <= from
        ? words('impossible.come-back-after')
        : tolerance >= depth
          ? words('impossible.tolerance-doing-nothing')
          : null,
    judge(evidence, { lane, from, to, depth, tolerance, beats }): Finding {
      const name = laneOf(lane)
      const { mix, time } = evidence
      const { beat, bar } = time.meter.lengthsAt(from)
      const about = wanted('about', amount(depth, 'dB'))
      const move = moveIn(evidence, lane, [kind], from - bar, to + bar)
      if (!move) {
        const kinds = down
          ? (['fall', 'drop', 'jump down', 'fade out'] as const)
          : (['rise', 'build', 'jump up', 'fade in'] as const)
        const gone = moveIn(evidence, lane, kinds, from - bar, to)
        const value = valued(lane, valueOf(mix, lane, from))
        if (!gone) {
          // which of the two is true: it does not move, or it does something else
          const moves = evidence.moves.some((m) => m.lane === lane && m.start < to && m.end > from - bar)
          const parts = { name, bars: span(from, to), value }
          return found('not yet', say(moves ? `${key}.other` : `${key}.still`, parts), { lane, from, to })
        }
        const after = Math.min(time.length, to + bar)
        const parts = {
          name,
          at: at(gone.start),
          after: at(after),
          value: valued(lane, valueOf(mix, lane, after)),
        }
        return found('not yet', say(`${key}.stays`, parts), { lane, from: gone.start, to }, [
          { name: `goes-${way}`, value: amount(Math.abs(gone.depth), 'dB'), wanted: about },
        ])
      }
      const size = Math.abs(move.depth)
      // early is no fault as long as it is not a bar too early
      const off = (move.arrival - from) / beat
      const there = verdictOf(off > 0 ? off : Math.max(0, -off - bar / beat / 2), beats)
      const back = verdictOf((move.leaves - to) / beat, Math.max(beats, bar / beat / 2))
      const parts = {
        name,
        depth: amount(size, 'dB'),
        asked: amount(depth, 'dB'),
        at: at(move.arrival),
        back: at(move.leaves),
        start: at(move.start),
      }
      return conclude(
        { lane, from: move.start, to: move.end },
        [
          { name: `goes-${way}`, value: amount(size, 'dB'), wanted: about },
          { name: 'there', value: at(move.arrival), wanted: wanted('is', at(from)) },
          { name: 'back', value: at(move.leaves), wanted: wanted('is', at(to)) },
        ],
        [
          {
            verdict: there,
            says: say(`${key}.there`, { ...parts, late: late(evidence, move.arrival, from) }),
          },
          {
            verdict: verdictOf(size - depth, tolerance),
            says: say(`${key}.${size < depth ? 'little' : 'much'}`, parts),
          },
          { verdict: back, says: say(`${key}.back`, { ...parts, late: late(evidence, move.leaves, to) }) },
          {
            verdict: move.arrival - move.start < SUDDEN_TICKS ? 'close' : 'met',
            says: say(`${key}.sudden`, parts),
          },
        ],
        say(`${key}.met`, parts),
      )
    },
  })
}
