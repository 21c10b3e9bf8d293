import { envelopeOf } from '../../mix'
import { laneOf, say, span } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A stray lane: a pass wrote something that the brief never asked for. */
export const strayLane: MistakeKind = {
  kind: 'stray lane',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, commands, open } = evidence
    return drawnLines(evidence).flatMap(({ lane }) => {
      const pass = commands.findLast((c) => c.how !== 'hand' && c.lanes.includes(lane))
      if (!pass || open.includes(lane)) return []
      const name = laneOf(lane)
      return {
        kind: 'stray lane',
        severity: 2 as const,
        place: { lane, from: pass.from, to: pass.to },
        says: say('mistake.stray-lane.says', { name, bars: span(pass.from, pass.to) }),
        repair: () => ({
          label: say('mistake.stray-lane.repair', { name }),
          mix: repaired(mix, lane, envelopeOf(start, lane)?.points ?? []),
        }),
      }
    })
  },
}
