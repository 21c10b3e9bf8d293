import { type Finding, at, laneOf, late, say, wanted } from '../../evidence'
import { checkKind, choice, lane, number, place, verdictOf } from '../check'
import { found } from '../conclude'

/** A jump further away than this is another one, in beats. */
const FAR_BEATS = 8
/** What takes less is an instant, in ticks. */
const INSTANT = 60

/** A jump: a change in an instant. */
export const jump = checkKind({
  kind: 'jump',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('at'),
    way: choice('which-way', ['up', 'down']),
    beats: number('off-place', 'beats', 0.25, 0.05, 4),
  },
  judge(evidence, { lane, from, way, beats }): Finding {
    const name = laneOf(lane)
    const { beat } = evidence.time.meter.lengthsAt(from)
    const right = (change: number) => (way === 'up' ? change > 0 : change < 0)
    const own = evidence.moves.filter((m) => m.lane === lane)
    const ticks = [
      ...own.filter((m) => right(m.depth) && m.arrival - m.start < INSTANT).map((m) => m.start),
      // the way back of what comes back may be a jump too
      ...own
        .filter((m) => m.leaves > m.arrival && right(m.to - m.goal) && m.end - m.leaves < INSTANT)
        .map((m) => m.end),
    ]
    const place = { lane, from: Math.max(0, from - beat), to: from + beat }
    const tick = ticks.sort((a, b) => Math.abs(a - from) - Math.abs(b - from))[0]
    const off = tick === undefined ? Infinity : (tick - from) / beat
    if (tick === undefined || Math.abs(off) > FAR_BEATS)
      return found('not yet', say(`check.jump.none-${way}`, { name, at: at(from) }), place)
    const verdict = verdictOf(off, beats)
    const parts = { name, at: at(tick), late: late(evidence, tick, from) }
    return found(verdict, say(`check.jump.${verdict === 'met' ? 'met' : 'place'}-${way}`, parts), place, [
      { name: 'jumps', value: at(tick), wanted: wanted('is', at(from)) },
    ])
  },
})
