import { exp, expm1 } from '../maths'
import type { Form } from './envelope'

/** (e^{cu} − 1)/(e^c − 1): 0 at 0, 1 at 1; early for c < 0, late for c > 0, straight at 0. */
export function curveAt(c: number, u: number): number {
  if (c > -1e-9 && c < 1e-9) return u
  return expm1(c * u) / expm1(c)
}

/** A late curve to the middle and an early one after it. */
function sAt(c: number, u: number): number {
  return u < 0.5 ? 0.5 * curveAt(c, 2 * u) : 0.5 + 0.5 * curveAt(-c, 2 * u - 1)
}

/** How far a span has gone, 0…1, at the share `u` (0…1) of its length. A jump stays at 0 until the end. */
export function formAt(form: Form, bend: number, u: number): number {
  switch (form) {
    case 'straight':
      return u
    case 'curve':
      return curveAt(bend, u)
    case 's':
      return sAt(bend, u)
    case 'jump':
      return u < 1 ? 0 : 1
  }
}

/** The bend of a curve that passes `share` (0…1) of the way at the middle of its span, within ±8. */
export function bendThrough(share: number, limit: number): number {
  // f(½) = 1/(e^{c/2}+1), so c = 2·ln(1/share − 1); found by halving to stay with the kernels' exp
  let low = -limit
  let high = limit
  for (let i = 0; i < 50; i++) {
    const c = (low + high) / 2
    if (1 / (exp(c / 2) + 1) > share) low = c
    else high = c
  }
  return (low + high) / 2
}

/** How much of the way is done after half the time of a curve, or a quarter of that of an S: the figure by which a bend is said. */
export const bendShare = (form: Form, bend: number): number => formAt(form, bend, form === 's' ? 0.25 : 0.5)

/** The bend of a curve or an S by that figure, as near as it can be bent. */
export function bendOfShare(form: Form, share: number, limit: number): number {
  return form === 's' ? Math.max(0, bendThrough(2 * share, limit)) : bendThrough(share, limit)
}
