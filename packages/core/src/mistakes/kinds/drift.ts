import { point } from '../../envelope'
import { hysteresis } from '../../moves'
import { type Asked, type Evidence, at, laneOf, say } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A way of so many bars, and so much of the song, from one point to the next … */
const BARS = 8
const SHARE = 0.35
/** … on a line with so few points was not meant as one. */
const FEW = 4
/** It changes by more than so many times of what counts as moving at all. */
const MUCH = 2

/** A fade that begins with the song or ends with it is long on purpose, within so many bars … */
const AT_END_BARS = 2
/** … as is one that was asked for. */
const LONG_MOVES = ['fade in', 'fade out', 'sweep', 'crossing', 'form']
/** … over at least so much of its way. */
const MOST = 0.6

/** Whether a long way is meant to be one. */
function isMeant(evidence: Evidence, lane: string, from: number, to: number): boolean {
  const { time, moves, asked } = evidence
  const covers = (a: Asked) => Math.min(a.to, to) - Math.max(a.from, from) >= MOST * (to - from)
  if (asked.some((a) => covers(a) && a.lanes.includes(lane) && LONG_MOVES.includes(a.kind))) return true
  // a build is heard in the mix: it is asked of no lane
  if (asked.some((a) => a.kind === 'build' && covers(a))) return true
  const move = moves.find((m) => m.lane === lane && m.start < to && m.end > from)
  if (move?.kind === 'fade out') return time.meter.barsBetween(move.end, time.length) <= AT_END_BARS
  if (move?.kind === 'fade in') return time.meter.barsBetween(0, move.start) <= AT_END_BARS
  return move?.kind === 'build' || move?.kind === 'sweep'
}

/** One point where two are needed: the value drifts over the song. */
export const drift: MistakeKind = {
  kind: 'drift',
  needs: 'lines',
  find: (evidence) => {
    const { time, mix } = evidence
    return drawnLines(evidence).flatMap(({ lane, points, control: { scale } }) => {
      if (points.length > FEW) return []
      return points.slice(1).flatMap((to, i) => {
        const from = points[i]!
        const bars = time.meter.barsBetween(from.tick, to.tick)
        const [a, b] = [from, to].map((p) => scale.toTravel(p.value)) as [number, number]
        const moves = Math.abs(a - b) > MUCH * hysteresis(scale, Math.max(a, b))
        if (from.form === 'jump' || bars < BARS || to.tick - from.tick < SHARE * time.length || !moves)
          return []
        if (isMeant(evidence, lane, from.tick, to.tick)) return []
        const name = laneOf(lane)
        return {
          kind: 'drift',
          severity: 3 as const,
          place: { lane, from: from.tick, to: to.tick },
          says: say('mistake.drift.says', { name, from: at(from.tick), to: at(to.tick) }),
          repair: () => {
            const { bar } = time.meter.lengthsAt(to.tick)
            const hold = point(Math.max(from.tick + 1, to.tick - 2 * bar), from.value)
            const line = [...points.slice(0, i + 1), hold, ...points.slice(i + 1)]
            return { label: say('mistake.drift.repair', { name }), mix: repaired(mix, lane, line) }
          },
        }
      })
    })
  },
}
