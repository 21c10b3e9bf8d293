import type { Values } from '@rudlo/core/checks'
import { resolve, type Mix } from '@rudlo/core/mix'

/** A piece of what a check asks: plain words, or a value that can be changed. */
export type Piece = { readonly words: string } | { readonly field: string }

/** Cuts the sentence of a check at its values. @param sentence with `{name}` where a value stands */
export const piecesOf = (sentence: string): Piece[] =>
  sentence
    .split(/(\{\w+\})/)
    .filter(Boolean)
    .map((piece) => (piece.startsWith('{') ? { field: piece.slice(1, -1) } : { words: piece }))

/** The unit of a value of a lane, by the lane. */
function laneUnit(lane: unknown, mix: Mix): string {
  const control = typeof lane === 'string' ? resolve(mix, lane)?.control : undefined
  if (!control || control.scale.kind === 'level') return 'dB'
  return control.scale.kind === 'log' ? 'Hz' : '%'
}

/**
 * The unit in which a number of a check is meant: some kinds measure in another one with each lane.
 * @param unit as the kind of check names it
 */
export function unitHere(unit: string, values: Values, mix: Mix): string {
  if (unit.startsWith('LU, ')) return values['by'] === 'brightness' ? '/ 10 oct' : 'LU'
  if (unit.includes(';') || unit.startsWith('dB, ') || unit === 'of the same')
    return laneUnit(values['lane'], mix)
  return unit === '% of the way' ? '%' : unit
}
