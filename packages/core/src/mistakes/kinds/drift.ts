import { point } from '../../envelope'
import { hysteresis } from '../../moves'
import { at, nameOf, say } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A way of so many bars, and so much of the song, from one point to the next … */
const BARS = 8
const SHARE = 0.35
/** … on a line with so few points was not meant as one. */
const FEW = 4
/** It changes by more than so many times of what counts as moving at all. */
const MUCH = 2

/** One point where two are needed: the value drifts over the song. */
export const drift: MistakeKind = {
  kind: 'drift',
  name: 'It drifts over the song',
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
        const name = nameOf(evidence, lane)
        return {
          kind: 'drift',
          severity: 3 as const,
          place: { lane, from: from.tick, to: to.tick },
          sentence: say(
            'Listen to {name} from {from} to {to}: it drifts all the way. Set a second point just before it should change, so that the rest stays put.',
            { name, from: at(evidence, from.tick), to: at(evidence, to.tick) },
          ),
          repair: () => {
            const { bar } = time.meter.lengthsAt(to.tick)
            const hold = point(Math.max(from.tick + 1, to.tick - 2 * bar), from.value)
            const line = [...points.slice(0, i + 1), hold, ...points.slice(i + 1)]
            return { label: `Held ${name} until two bars before it changes`, mix: repaired(mix, lane, line) }
          },
        }
      })
    })
  },
}
