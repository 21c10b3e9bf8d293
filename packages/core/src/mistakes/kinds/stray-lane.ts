import { envelopeOf } from '../../mix'
import { bars, nameOf, say } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A stray lane: a pass wrote something that the brief never asked for. */
export const strayLane: MistakeKind = {
  kind: 'stray lane',
  name: 'A stray lane',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, commands, open } = evidence
    return drawnLines(evidence).flatMap(({ lane }) => {
      const pass = commands.findLast((c) => c.how !== 'hand' && c.lanes.includes(lane))
      if (!pass || open.includes(lane)) return []
      const name = nameOf(evidence, lane)
      return {
        kind: 'stray lane',
        severity: 2 as const,
        place: { lane, from: pass.from, to: pass.to },
        sentence: say(
          'A pass also wrote {name} in {bars}, though nobody asked for it. Listen whether you meant it; if not, clear that lane.',
          { name, bars: bars(evidence, pass.from, pass.to) },
        ),
        repair: () => ({
          label: `Cleared ${name}`,
          mix: repaired(mix, lane, envelopeOf(start, lane)?.points ?? []),
        }),
      }
    })
  },
}
