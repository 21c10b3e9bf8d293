import { envelopeOf, withLane } from '../../mix'
import { laneOf, say, trackOf } from '../../evidence'
import type { MistakeKind } from '../mistake'

/** Left unsafe: a lane switched off, or a track left writing, at hand-in. */
export const leftUnsafe: MistakeKind = {
  kind: 'left unsafe',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, time, writing } = evidence
    const off = mix.envelopes.filter(
      (e) => !e.on && e.points.length && envelopeOf(start, e.address)?.on !== false,
    )
    return [
      ...off.map(({ address: lane }) => {
        const name = laneOf(lane)
        return {
          kind: 'left unsafe',
          severity: 2 as const,
          place: { lane, from: 0, to: time.length },
          says: say('mistake.left-unsafe-off.says', { name }),
          repair: () => ({
            label: say('mistake.left-unsafe.repair', { name }),
            mix: withLane(mix, lane, { on: true }),
          }),
        }
      }),
      ...writing.map((track) => ({
        kind: 'left unsafe',
        severity: 2 as const,
        place: { lane: `track/${track}/level`, from: 0, to: time.length },
        says: say('mistake.left-unsafe-writing.says', { name: trackOf(track) }),
        repair: null,
      })),
    ]
  },
}
