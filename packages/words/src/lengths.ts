import { words } from './catalog'

/** Halves as people write them: 2½. */
function halves(value: number): string {
  const whole = Math.floor(value)
  return `${whole || value === 0 ? whole : ''}${value > whole ? '½' : ''}`
}

/** A length in music, to the half: "3½ bars", "half a beat", "less than half a bar". */
export function lengthInWords(unit: 'bars' | 'beats', value: number): string {
  const rounded = Math.round(value * 2) / 2
  if (rounded < 0.5) return words(`length.${unit}.less`)
  if (rounded === 0.5) return words(`length.${unit}.half`)
  return rounded === 1 ? words(`length.${unit}.one`) : words(`length.${unit}.more`, { n: halves(rounded) })
}
