import { type Evidence, at, count, laneOf, say } from '../../evidence'
import { drawnLines, repaired, type DrawnLine } from '../lines'
import type { MistakeKind } from '../mistake'

/** Nearer to a beat than this, but not on it, in ticks. */
const HAIR = 30
/** A line with more points than this was drawn or ridden, not placed. */
const PLACED = 40

/** How far a tick is from the nearest beat; positive after it. */
function offBeat({ time }: Evidence, tick: number): number {
  const { beat } = time.meter.lengthsAt(tick)
  const start = time.meter.barStart(time.meter.placeAt(tick).bar)
  const into = (tick - start) % beat
  return into > beat / 2 ? into - beat : into
}

/** Points that miss a beat by a hair, and do not stand just before an entry. */
function missed(evidence: Evidence, { points, lane }: DrawnLine) {
  const { heard, commands } = evidence
  const ridden = commands.some((c) => c.how !== 'hand' && c.lanes.includes(lane))
  if (ridden || points.length > PLACED) return []
  const notes = [heard?.entries, heard?.onsets].flatMap((all) => Object.values(all ?? {}).flat())
  return points.filter((p) => {
    const off = offBeat(evidence, p.tick)
    const before = notes.some((e) => e >= p.tick && e - p.tick <= 2 * HAIR)
    // a point that a cut put one tick beside another belongs to that one
    const twin = points.some((q) => q !== p && Math.abs(q.tick - p.tick) <= 2)
    // the end of a leap from a beat is no place of its own
    const leaps = points.some(
      (q) => q.tick < p.tick && p.tick - q.tick <= HAIR && offBeat(evidence, q.tick) === 0,
    )
    return off !== 0 && Math.abs(off) <= HAIR && !before && !twin && !leaps
  })
}

/** Off the grid by a hair: within 30 ticks of a beat but not on it, and not set just before an onset. */
export const offGrid: MistakeKind = {
  kind: 'off grid',
  needs: 'sound',
  find: (evidence) =>
    drawnLines(evidence).flatMap((line) => {
      const off = missed(evidence, line)
      const first = off[0]
      if (!first) return []
      const name = laneOf(line.lane)
      const onBeat = (tick: number) => Math.max(0, Math.round(tick - offBeat(evidence, tick)))
      return {
        kind: 'off grid',
        severity: 1 as const,
        place: { lane: line.lane, from: Math.max(0, first.tick - 480), to: off.at(-1)!.tick + 480 },
        says: say('mistake.off-grid.says', { name, count: count(off.length), at: at(onBeat(first.tick)) }),
        repair: () => ({
          label: say('mistake.off-grid.repair', { name }),
          mix: repaired(
            evidence.mix,
            line.lane,
            line.points
              .map((p) => (off.includes(p) ? { ...p, tick: onBeat(p.tick) } : p))
              .filter((p, i, all) => p.tick !== all[i + 1]?.tick),
          ),
        }),
      }
    }),
}
