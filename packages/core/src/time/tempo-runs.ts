import type { TempoChange } from './tempo-map'

/** Tempo changes that belong together: one alone, or a ritardando or accelerando that a file holds in many small steps. */
export interface TempoRun {
  /** The changes of the run, in order. */
  readonly changes: readonly TempoChange[]
  /** Quarter notes a minute before it and after it. */
  readonly from: number
  readonly to: number
  /** Whether it goes there gradually. */
  readonly gradual: boolean
}

/** So many steps in one direction are a gradual change, and not one after the other. */
const STEPS = 3

/**
 * Tempo changes as people tell them.
 * @param tempo in order of place; the first is the tempo of the beginning and belongs to no run
 * @param apart ticks between two steps of a gradual change, at most
 */
export function tempoRuns(tempo: readonly TempoChange[], apart: number): TempoRun[] {
  const runs: TempoRun[] = []
  let at = 1
  while (at < tempo.length) {
    const before = tempo[at - 1]!
    const sign = Math.sign(tempo[at]!.bpm - before.bpm)
    let end = at + 1
    while (
      end < tempo.length &&
      tempo[end]!.tick - tempo[end - 1]!.tick <= apart &&
      Math.sign(tempo[end]!.bpm - tempo[end - 1]!.bpm) === sign &&
      tempo[end - 1]!.form !== 'ramp'
    )
      end++
    const isRun = sign !== 0 && end - at >= STEPS
    const last = isRun ? end : at + 1
    const changes = tempo.slice(at, last)
    runs.push({
      changes,
      from: before.bpm,
      to: changes.at(-1)!.bpm,
      gradual: isRun || before.form === 'ramp',
    })
    at = last
  }
  return runs
}
