import { numberText, words } from '@rudlo/words'
import type { Unit } from './unit'

/** Lengths in beats that are read as fractions, and how near one has to be to be meant. */
const FRACTIONS = [
  [1, 8],
  [1, 6],
  [1, 4],
  [1, 3],
  [1, 2],
  [2, 3],
  [3, 4],
  [3, 2],
] as const
const NEAR = 0.06

/** Lengths in beats, kept as numbers: "1/4 beat", "2 beats"; typed "1/4", "0.25" or "2". What is nearly a fraction is read as one. */
export const beats: Unit = {
  format: (length) => {
    const near = FRACTIONS.find(([a, b]) => Math.abs(length / (a / b) - 1) < NEAR)
    if (near) return words('unit.beats', { n: `${near[0]}/${near[1]}` }, near[0] > near[1] ? 2 : 1)
    const whole = Math.round(length)
    const n = whole > 0 && Math.abs(length / whole - 1) < NEAR / 2 ? whole : length
    return words(
      'unit.beats',
      { n: n === whole ? String(whole) : numberText(length, length < 1 ? 2 : 1) },
      n === 1 ? 1 : 2,
    )
  },
  parse: (text) => {
    const match = /^(\d+(?:[.,]\d+)?|[.,]\d+)(?:\s*\/\s*(\d+))?\s*(?:beats?)?$/i.exec(text.trim())
    if (!match) return null
    const length = Number(match[1]!.replace(',', '.')) / Number(match[2] ?? 1)
    return length > 0 && Number.isFinite(length) ? length : null
  },
}

/** How often something comes: "4 ×". */
export const times: Unit = {
  format: (n) => `${numberText(n, Number.isInteger(n) ? 0 : 1)} ×`,
  parse: (text) => {
    const match = /^(\d+(?:[.,]\d+)?)\s*[×x]?$/i.exec(text.trim())
    return match ? Number(match[1]!.replace(',', '.')) : null
  },
}
