import { words } from '@rudlo/words'
import { clamp, type Control } from '../scale'
import type { Points } from './envelope'

/** A line as another control would take it, with a sentence where something of it was changed; or why it cannot. */
export type Converted =
  | { readonly points: Points; readonly note: string | null }
  | { readonly refused: string }

/** What may stand for an amount, from none to all of it: levels and shares. */
const isAmount = ({ scale }: Control) => scale.kind === 'level' || (scale.min === 0 && scale.max === 1)

/**
 * Converts a line drawn for one control to another: of the same unit by value, as far as its range goes; between a level
 * and a share by travel, so that silence becomes nothing and the form stays. Everything else is refused.
 */
export function convertPoints(points: Points, from: Control, to: Control): Converted {
  const [a, b] = [from.scale, to.scale]
  const names = [from, to].map((c) => c.name.toLowerCase()) as [string, string]
  const same = a.kind === b.kind && a.min === b.min && a.max === b.max
  if (same && (a.kind !== 'linear' || from.unit === to.unit)) return { points, note: null }
  if ((a.kind === 'switch') === (b.kind === 'switch')) {
    if (from.unit === to.unit) {
      const beyond = points.some((p) => p.value < b.min || p.value > b.max)
      return {
        points: points.map((p) => ({ ...p, value: clamp(p.value, b.min, b.max) })),
        note: beyond ? words('convert.where-went-beyond', { to: names[1] }) : null,
      }
    }
    if (isAmount(from) && isAmount(to) && a.kind !== 'switch') {
      return {
        points: points.map((p) => ({ ...p, value: b.toValue(a.toTravel(p.value)) })),
        note: words('convert.line-keeps-form', { from: names[0], to: names[1] }),
      }
    }
  }
  return { refused: words('convert.copied-means-nothing', { from: names[0], to: names[1] }) }
}
