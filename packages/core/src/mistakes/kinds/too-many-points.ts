import { thin, valueAt, type Sample } from '../../envelope'
import { amount, count, laneOf, say } from '../../evidence'
import { drawnLines, repaired, type DrawnLine } from '../lines'
import type { MistakeKind } from '../mistake'

/** More than so many times what the same line needs … */
const TIMES = 4
/** … and more than so many in all. */
const FEW = 24

/** The same line with as few points as it needs: within what a hand means. */
function thinned({ points, control: { scale } }: DrawnLine) {
  const samples: Sample[] = []
  for (const [i, p] of points.entries()) {
    samples.push(p)
    const next = points[i + 1]
    if (!next || p.form === 'straight' || next.tick - p.tick < 8) continue
    for (const u of [0.25, 0.5, 0.75]) {
      const tick = Math.round(p.tick + (next.tick - p.tick) * u)
      samples.push({ tick, value: valueAt(points, scale, tick) })
    }
  }
  return thin(samples, scale)
}

/** Too many points: more than four times what the same line needs. */
export const tooManyPoints: MistakeKind = {
  kind: 'too many points',
  needs: 'lines',
  find: (evidence) =>
    drawnLines(evidence).flatMap((line) => {
      const { lane, points, control } = line
      if (points.length <= FEW || control.scale.kind === 'switch') return []
      const few = thinned(line)
      if (points.length <= TIMES * few.length) return []
      const name = laneOf(lane)
      return {
        kind: 'too many points',
        severity: 1 as const,
        place: { lane, from: points[0]!.tick, to: points.at(-1)!.tick },
        says: say('mistake.too-many-points.says', {
          name,
          count: count(points.length),
          few: amount(few.length, 'points', 0),
        }),
        repair: () => ({
          label: say('mistake.too-many-points.repair', { name, few: amount(few.length, 'points', 0) }),
          mix: repaired(evidence.mix, lane, few),
        }),
      }
    }),
}
