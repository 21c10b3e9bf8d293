import { travelsOf } from '../../envelope'
import { hysteresis } from '../../moves'
import { withSetting } from '../../mix'
import { laneOf, say, valued } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** Whether the highest and the lowest are no further apart than `wide`. */
function staysWithin(travels: Float64Array, wide: number): boolean {
  let low = Infinity
  let high = -Infinity
  for (const travel of travels) {
    low = Math.min(low, travel)
    high = Math.max(high, travel)
    if (high - low > wide) return false
  }
  return true
}

/** The wrong tool: one level change for the whole song, a job for the fader. */
export const wrongTool: MistakeKind = {
  kind: 'wrong tool',
  needs: 'lines',
  find: (evidence) => {
    const { mix, time } = evidence
    return drawnLines(evidence).flatMap(({ lane, points, control: { scale }, setting }) => {
      const own = evidence.asked.filter((a) => a.lanes.includes(lane))
      // a line that is there because the brief asks for a value on it, and for nothing else
      if (own.length && own.every((a) => ['position', 'by pass'].includes(a.kind))) return []
      const travels = travelsOf(points, scale)
      const wide = hysteresis(scale, travels[0]!)
      const value = points[0]!.value
      if (!staysWithin(travels, wide) || Math.abs(travels[0]! - scale.toTravel(setting)) <= wide) return []
      const name = laneOf(lane)
      return {
        kind: 'wrong tool',
        severity: 1 as const,
        place: { lane, from: 0, to: time.length },
        says: say('mistake.wrong-tool.says', { name, value: valued(lane, value) }),
        repair: () => ({
          label: say('mistake.wrong-tool.repair', { name, value: valued(lane, value) }),
          mix: withSetting(repaired(mix, lane, []), lane, value),
        }),
      }
    })
  },
}
