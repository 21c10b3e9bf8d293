import type { Move } from '../moves'
import type { SongTime } from '../song'

/** A move of a model with the student's that answers it, or one of them alone. */
export interface MovePair {
  readonly model: Move | null
  readonly student: Move | null
}

/** What leaving a move alone costs: a pair that costs more than both alone is none. */
const ALONE = 1
const KIND = 0.5
/** Moves that are so many bars apart cannot answer each other, whatever they are. */
const FAR_BARS = 8

const RELATED: readonly (readonly Move['kind'][])[] = [
  ['fade in', 'rise', 'build', 'jump up', 'lift', 'throw'],
  ['fade out', 'fall', 'drop', 'jump down'],
  ['dip'],
  ['sweep', 'rise', 'fall'],
]

function cost(a: Move, b: Move, { meter }: SongTime): number {
  const bars = (x: number, y: number) => meter.barsBetween(Math.min(x, y), Math.max(x, y))
  const apart = (bars(a.arrival, b.arrival) + bars(a.start, b.start)) / 2
  const related =
    a.kind === b.kind ? 0 : RELATED.some((r) => r.includes(a.kind) && r.includes(b.kind)) ? KIND : 2
  const size = Math.max(Math.abs(a.depth), Math.abs(b.depth), 1e-9)
  return Math.min(1, apart / FAR_BARS) + related + (0.5 * Math.abs(a.depth - b.depth)) / size
}

/**
 * Finds which move of a student answers which of a model: lane by lane an alignment in time order that costs least, by
 * dynamic programming (as S. Needleman and C. Wunsch align sequences, 1970), over time, kind and depth.
 */
export function matchMoves(model: readonly Move[], student: readonly Move[], time: SongTime): MovePair[] {
  const lanes = [...new Set([...model, ...student].map((m) => m.lane))]
  return lanes.flatMap((lane) => {
    const of = (moves: readonly Move[]) =>
      moves.filter((m) => m.lane === lane).sort((a, b) => a.start - b.start)
    return align(of(model), of(student), time)
  })
}

function align(model: readonly Move[], student: readonly Move[], time: SongTime): MovePair[] {
  const [n, m] = [model.length, student.length]
  const best = Array.from({ length: n + 1 }, () => new Float64Array(m + 1))
  for (let i = n; i >= 0; i--)
    for (let j = m; j >= 0; j--) {
      if (i === n && j === m) continue
      const skipModel = i < n ? ALONE + best[i + 1]![j]! : Infinity
      const skipStudent = j < m ? ALONE + best[i]![j + 1]! : Infinity
      const pair = i < n && j < m ? cost(model[i]!, student[j]!, time) + best[i + 1]![j + 1]! : Infinity
      best[i]![j] = Math.min(skipModel, skipStudent, pair)
    }
  const pairs: MovePair[] = []
  for (let i = 0, j = 0; i < n || j < m;) {
    const here = best[i]![j]!
    if (i < n && j < m && Math.abs(here - cost(model[i]!, student[j]!, time) - best[i + 1]![j + 1]!) < 1e-9)
      pairs.push({ model: model[i++]!, student: student[j++]! })
    else if (i < n && Math.abs(here - ALONE - best[i + 1]![j]!) < 1e-9)
      pairs.push({ model: model[i++]!, student: null })
    else pairs.push({ model: null, student: student[j++]! })
  }
  return pairs
}
