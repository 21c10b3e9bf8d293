import type { FieldUnit, Values } from '@rudlo/core/checks'
import { resolve, type Mix } from '@rudlo/core/mix'
import { t } from '../../words/t'

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
export function unitHere(unit: FieldUnit, values: Values, mix: Mix): string {
  switch (unit) {
    case 'lu-or-octave':
      return values['by'] === 'brightness' ? t('brief.unit.octave') : 'LU'
    case 'own':
    case 'same':
    case 'db-or-percent':
      return laneUnit(values['lane'], mix)
    case 'of-way':
      return '%'
    case 'bars':
    case 'beats':
    case 'points':
      return t(`brief.unit.${unit}`)
    default:
      return unit
  }
}
