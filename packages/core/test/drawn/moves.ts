/** Moves as people make them, each with what it is meant to be: a test set for what finds them. */
import { Chance, drawn, MANNERS, type Aim, type DrawnPoint, type Manner } from './hand'

const BAR = 3840
const BEAT = 960
/** First bars of the sections of the song that they are drawn over. */
export const SECTION_BARS = [1, 9, 17, 25] as const
export const SONG_BARS = 32
export const barTick = (bar: number, beat = 1) => (bar - 1) * BAR + (beat - 1) * BEAT

export interface MeantMove {
  readonly name: string
  readonly lane: string
  readonly low: number
  readonly high: number
  readonly points: readonly DrawnPoint[]
  readonly kind: string
  /** Where it is meant to begin and to be over. */
  readonly start: number
  readonly end: number
}

const LEVEL = { lane: 'track/reed/level', low: -90, high: 6 } as const
const PAN = { lane: 'track/reed/pan', low: -1, high: 1 } as const
const SEND = { lane: 'send/s1/level', low: -90, high: 6 } as const

type Sketch = (chance: Chance) => {
  readonly on: { readonly lane: string; readonly low: number; readonly high: number }
  readonly aims: readonly Aim[]
  readonly start: number
  readonly end: number
}

/** A little early or late, as hands are: up to a sixteenth. */
const late = (chance: Chance) => Math.round(chance.off(120))

const SKETCHES: Readonly<Record<string, Sketch>> = {
  'fade in': (c) => {
    const start = barTick(c.whole(1, 6)) + Math.abs(late(c))
    const end = start + BEAT * c.whole(4, 24)
    return {
      on: LEVEL,
      start,
      end,
      aims: [
        { tick: start, value: -90 },
        { tick: end, value: c.between(-9, 2) },
      ],
    }
  },
  'fade out': (c) => {
    const start = barTick(c.whole(18, 24)) + Math.abs(late(c))
    const end = start + BEAT * c.whole(4, 24)
    const rest = c.between(-9, 2)
    return {
      on: LEVEL,
      start,
      end,
      aims: [
        { tick: 0, value: rest },
        { tick: start, value: rest },
        { tick: end, value: -90 },
      ],
    }
  },
  dip: (c) => aside(c, -1),
  lift: (c) => aside(c, 1),
  build: (c) => {
    const arrives = barTick(c.one([9, 17, 25])) + late(c)
    const start = arrives - BAR * c.whole(3, 7)
    const rest = c.between(-16, -9)
    const high = rest + c.between(5, 9)
    return {
      on: LEVEL,
      start,
      end: arrives,
      aims: [
        { tick: 0, value: rest },
        { tick: start, value: rest },
        { tick: arrives, value: high },
        { tick: barTick(33), value: high },
      ],
    }
  },
  drop: (c) => {
    const start = barTick(c.one([9, 17, 25])) + late(c)
    const end = start + c.between(60, 700)
    const rest = c.between(-4, 2)
    const low = rest - c.between(7, 14)
    return {
      on: LEVEL,
      start,
      end,
      aims: [
        { tick: 0, value: rest },
        { tick: start, value: rest },
        { tick: end, value: low },
        { tick: barTick(33), value: low },
      ],
    }
  },
  'jump up': (c) => jumping(c, 1),
  'jump down': (c) => jumping(c, -1),
  throw: (c) => {
    const start = barTick(c.whole(3, 28), c.whole(1, 4))
    const end = start + BEAT * c.whole(1, 6)
    const open = c.between(-10, 0)
    return {
      on: SEND,
      start,
      end,
      aims: [
        { tick: 0, value: -90 },
        { tick: start, value: -90 },
        { tick: start + 120, value: open },
        { tick: end - 120, value: open },
        { tick: end, value: -90 },
      ],
    }
  },
  sweep: (c) => {
    const start = barTick(c.whole(2, 18)) + late(c)
    const end = start + BAR * c.whole(1, 8)
    const side = c.one([-1, 1])
    const from = side * c.between(0.4, 1)
    return {
      on: PAN,
      start,
      end,
      aims: [
        { tick: 0, value: from },
        { tick: Math.max(1, start), value: from },
        { tick: end, value: -side * c.between(0.4, 1) },
      ],
    }
  },
}

function aside(c: Chance, way: 1 | -1) {
  const rest = way < 0 ? c.between(-6, 0) : c.between(-14, -6)
  const depth = c.between(4, 9)
  const arrives = barTick(c.one([7, 10, 12, 14, 19]), c.whole(1, 4)) + late(c)
  const start = arrives - BEAT * c.between(0.5, 4)
  const leaves = arrives + BAR * c.whole(2, 8)
  const end = leaves + BEAT * c.between(0.5, 5)
  return {
    on: LEVEL,
    start,
    end,
    aims: [
      { tick: 0, value: rest },
      { tick: start, value: rest },
      { tick: arrives, value: rest + way * depth },
      { tick: leaves, value: rest + way * depth },
      { tick: end, value: rest + c.off(0.3) },
    ],
  }
}

function jumping(c: Chance, way: 1 | -1) {
  const at = barTick(c.one([5, 7, 11, 13, 20]), c.whole(1, 3))
  const rest = way < 0 ? c.between(-3, 2) : c.between(-18, -10)
  const goal = rest + way * c.between(6, 12)
  return {
    on: LEVEL,
    start: at,
    end: at,
    aims: [
      { tick: 0, value: rest },
      { tick: at - BAR, value: rest },
      { tick: at, value: goal, at: 'once' as const },
      { tick: barTick(33), value: goal },
    ],
  }
}

/** Some of every kind, drawn in every manner. */
export function meantMoves(each: number): MeantMove[] {
  return Object.entries(SKETCHES).flatMap(([kind, sketch], k) =>
    Array.from({ length: each }, (_, i): MeantMove => {
      const chance = new Chance(k * 1000 + i)
      const { on, aims, start, end } = sketch(chance)
      const manner: Manner = MANNERS[i % MANNERS.length]!
      return {
        ...on,
        name: `${kind} ${i + 1}, ${manner}`,
        kind,
        start,
        end,
        points: drawn(aims, manner, chance, on.low, on.high),
      }
    }),
  )
}
