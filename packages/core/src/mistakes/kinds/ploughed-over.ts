import { count, laneOf, say, span } from '../../evidence'
import type { MistakeKind } from '../mistake'

/** A pass from play to stop over so many bars … */
const BARS = 4
/** … that went over at least so many steps made before on the same lane. */
const STEPS = 2

/** Ploughed over: a write pass flattened moves that were there. */
export const ploughedOver: MistakeKind = {
  kind: 'ploughed over',
  needs: 'lines',
  find: (evidence) => {
    const { commands, time, moves } = evidence
    return commands.flatMap((pass, i) => {
      if (pass.how !== 'play to stop' || time.meter.barsBetween(pass.from, pass.to) < BARS) return []
      return pass.lanes.flatMap((lane) => {
        const inside = (c: { from: number; to: number }) => c.from >= pass.from && c.to <= pass.to
        // a pass over a pass is another take: that is how a ride is made
        const before = commands
          .slice(0, i)
          .filter((c) => c.how === 'hand' && c.lanes.includes(lane) && inside(c))
        // what was drawn again afterwards, or is still there, is no loss
        const again = commands
          .slice(i + 1)
          .some((c) => c.lanes.includes(lane) && c.from < pass.to && c.to > pass.from)
        const there = moves.filter((m) => m.lane === lane && m.start >= pass.from && m.end <= pass.to)
        if (before.length < STEPS || again || there.length >= before.length) return []
        return {
          kind: 'ploughed over',
          severity: 3 as const,
          place: { lane, from: pass.from, to: pass.to },
          says: say('mistake.ploughed-over.says', {
            name: laneOf(lane),
            bars: span(pass.from, pass.to),
            count: count(before.length),
          }),
          repair: null,
        }
      })
    })
  },
}
