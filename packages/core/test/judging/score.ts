/** How well moves are found in labelled lines. */
import { findMoves } from '../../src/moves'
import type { LabelledLine } from './whole-lines'

export interface LineScore {
  readonly lines: number
  readonly named: number
  readonly moves: number
  readonly edges: number
  readonly falseMoves: number
  readonly wrong: readonly string[]
}

/** Lines whose moves are all named right and no other found, and moves whose edges lie within an eighth. */
export function scoreOf(lines: readonly LabelledLine[]): LineScore {
  const wrong: string[] = []
  let [named, moves, edges, falseMoves] = [0, 0, 0, 0]
  for (const line of lines) {
    const found = findMoves(line.lane, line.points, line.scale, line.time, line.sections)
    const kinds = found.map((m) => m.kind).join(', ')
    falseMoves += Math.max(0, found.length - line.labels.length)
    if (kinds !== line.labels.map((l) => l.kind).join(', ')) {
      wrong.push(`${line.name} → ${kinds || 'nothing'}`)
      continue
    }
    named++
    line.labels.forEach((label, i) => {
      moves++
      const near =
        Math.max(Math.abs(found[i]!.start - label.start), Math.abs(found[i]!.end - label.end)) <= 480
      if (near) edges++
      else
        wrong.push(`edges ${line.name} [${i}] ${found[i]!.start - label.start} ${found[i]!.end - label.end}`)
    })
  }
  return { lines: lines.length, named, moves, edges, falseMoves, wrong }
}
