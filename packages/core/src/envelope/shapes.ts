import { clamp, type Scale } from '../scale'
import { point, type Form, type Point, type Points } from './envelope'
import { MAX_CYCLES, pacedShare, type Cycles } from './shape-pace'
import { replaceSpan, type LineSpan } from './span-edits'

/** Shapes that can be laid over a span. */
export const SHAPES = ['ramp', 'swell', 'wave', 'saw', 'steps', 'pulse'] as const
export type ShapeKind = (typeof SHAPES)[number]

/** A shape over a span. */
export interface Shape extends Cycles {
  readonly kind: ShapeKind
  /** Share of the travel between its lowest and its highest place, 0…1; below 0 it is upside down. */
  readonly depth: number
  /** Travel of its middle, 0…1. */
  readonly centre: number
  /** How it grows over the span: 1 from nothing to all of its depth, −1 the other way, 0 even. */
  readonly growth: number
}

/** Steepness of an S that comes close to a half wave of a sine. */
const ROUND = 1.6

/** A place of a shape: share of its cycles, height −1…1, and how it goes on. */
interface Place {
  readonly u: number
  readonly height: number
  readonly form: Form
  readonly bend: number
}

function placesOf({ kind, cycles }: Shape): Place[] {
  const n = clamp(cycles, 0.25, MAX_CYCLES)
  const places: Place[] = []
  const put = (u: number, height: number, form: Form = 'straight', bend = 0) => {
    if (u <= 1 + 1e-9) places.push({ u: Math.min(1, u), height, form, bend })
  }
  switch (kind) {
    case 'ramp':
      put(0, -1)
      put(1, 1)
      break
    case 'swell':
      for (let i = 0; i < n; i++) {
        put(i / n, -1, 's', ROUND)
        put((i + 0.5) / n, 1, 's', ROUND)
      }
      put(1, -1)
      break
    case 'wave':
      put(0, 0, 'curve', -ROUND)
      for (let i = 0; i < n; i++) {
        put((i + 0.25) / n, 1, 's', ROUND)
        put((i + 0.75) / n, -1, 's', ROUND)
      }
      put(1, 0)
      break
    case 'saw':
      for (let i = 0; i < n; i++) {
        if (i > 0) put(i / n - 1e-6, -1, 'jump')
        put(i / n, 1)
      }
      put(1, -1)
      break
    case 'steps': {
      const count = Math.max(2, Math.round(n))
      for (let i = 0; i < count; i++) put(i / count, (2 * i) / (count - 1) - 1, 'jump')
      put(1, 1)
      break
    }
    case 'pulse':
      for (let i = 0; i < n; i++) {
        put(i / n, 1, 'jump')
        put((i + 0.5) / n, -1, 'jump')
      }
      put(1, -1)
  }
  return places
}

/** Share of the depth at a share of the span. */
const grown = (growth: number, u: number) => (growth >= 0 ? 1 - growth * (1 - u) : 1 + growth * u)

/** Travel of a shape's middle line plus or minus its height there. */
export function shapeTravel({ centre, depth, growth }: Shape, u: number, height: number): number {
  return clamp(centre + (depth / 2) * grown(growth, u) * height, 0, 1)
}

/**
 * Lays a shape over a span of a line that has begun; outside nothing changes.
 * @throws EditRefused where the line would get too many points
 */
export function layShape(points: Points, scale: Scale, span: LineSpan, shape: Shape): Points {
  const length = span.to - span.from
  const inner: Point[] = []
  for (const { u, height, form, bend } of placesOf(shape)) {
    const share = pacedShare(shape.pace, u)
    const at = u <= 0 ? span.from : u >= 1 ? span.to : Math.round(span.from + share * length)
    // the foot of a jump lies a tick before its head
    const tick = form === 'jump' && shape.kind === 'saw' ? at - 1 : at
    if (tick <= (inner.at(-1)?.tick ?? -1)) continue
    inner.push(point(tick, scale.toValue(shapeTravel(shape, share, height)), form, bend))
  }
  return replaceSpan(points, scale, span, inner, 'returns')
}
