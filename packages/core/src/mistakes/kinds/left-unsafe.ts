import { envelopeOf, withLane } from '../../mix'
import { nameOf, say, trackName } from '../../evidence'
import type { MistakeKind } from '../mistake'

/** Left unsafe: a lane switched off, or a track left writing, at hand-in. */
export const leftUnsafe: MistakeKind = {
  kind: 'left unsafe',
  name: 'Left unsafe',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, time, writing } = evidence
    const off = mix.envelopes.filter(
      (e) => !e.on && e.points.length && envelopeOf(start, e.address)?.on !== false,
    )
    return [
      ...off.map(({ address: lane }) => {
        const name = nameOf(evidence, lane)
        return {
          kind: 'left unsafe',
          severity: 2 as const,
          place: { lane, from: 0, to: time.length },
          sentence: say(
            'The line of {name} is switched off: nothing of it is heard. Switch it on again, or clear it.',
            { name },
          ),
          repair: () => ({
            label: `Switched the line of ${name} on`,
            mix: withLane(mix, lane, { on: true }),
          }),
        }
      }),
      ...writing.map((track) => ({
        kind: 'left unsafe',
        severity: 2 as const,
        place: { lane: `track/${track}/level`, from: 0, to: time.length },
        sentence: say(
          '{name} would still write while it plays: one careless touch goes over your line. Set it back to follow only.',
          {
            name: trackName(evidence, track),
          },
        ),
        repair: null,
      })),
    ]
  },
}
