import { cosPi, sinPi } from '../maths'

/** Gains of the two sides. */
export interface Sides {
  left: number
  right: number
}

/** Mono, equal power: L = cos((p+1)π/4), R = sin((p+1)π/4). Written to `out`. */
export function panMono(pan: number, out: Sides): void {
  out.left = cosPi((pan + 1) / 4)
  out.right = sinPi((pan + 1) / 4)
}

/** Stereo, a balance: the side that is turned away from fades as a cosine, the other stays. */
export function panStereo(pan: number, out: Sides): void {
  out.left = pan <= 0 ? 1 : pan >= 1 ? 0 : cosPi(pan / 2)
  out.right = pan >= 0 ? 1 : pan <= -1 ? 0 : cosPi(pan / 2)
}
