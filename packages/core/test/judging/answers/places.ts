/** Sweeps, crossings, and what is asked about one place or two. */
import { point, type Points } from '../../../src/envelope'
import { type Mix } from '../../../src/mix'
import type { Chance } from '../../drawn/hand'
import {
  asking,
  bar,
  BAR_FRAMES,
  BEAT,
  jumps,
  lines,
  PAD,
  REED,
  region,
  rode,
  set,
  type Maker,
  type Task,
  type Way,
} from './made'

export const sweepTask: Task = (() => {
  const PAN = 'track/pad/pan'
  const ask = (c: Chance) => {
    const from = bar(c)
    const to = from + 4 * BEAT * c.whole(1, 6)
    return { c, from, to, values: { lane: PAN, from, to, way: 'up', least: 40, beats: 2 } }
  }
  type Asked = ReturnType<typeof ask>
  const answer =
    (points: (a: Asked) => Points): Maker =>
    (c) => {
      const a = ask(c)
      return { values: a.values, mix: lines({ [PAN]: points(a) }) }
    }
  return {
    right: [
      answer(({ c, from, to }) => set(-c.between(0.6, 1), [[from, to, c.between(0.4, 1)]])),
      answer(({ c, from, to }) => set(c.between(-0.1, 0), [[from, to, c.between(0.9, 1)]])),
      answer(({ c, from, to }) => [
        point(0, -0.8),
        point(from, -0.8, 's', c.between(0.5, 3)),
        point(to, 0.8),
      ]),
      answer(({ from, to }) =>
        set(0, [
          [from - 6 * BEAT, from - 4 * BEAT, -0.8],
          [from, to, 0.8],
        ]),
      ),
    ],
    others: [],
    near: [0, 2, 3],
    wrong: [
      answer(({ c, from, to }) => set(-0.2, [[from, to, c.between(0.0, 0.35)]])),
      answer(({ from, to }) => set(0.8, [[from, to, -0.8]])),
      answer(({ c, from, to }) => {
        const late = BEAT * c.between(3.5, 8)
        return set(-0.8, [[from + late, to + late, 0.8]])
      }),
      answer(({ from, to }) => set(-0.8, [[(from + to) / 2, (from + to) / 2 + 20, 0.8]])),
    ],
  }
})()

export const silenceTask: Task = (() => {
  const answer =
    (mix: (from: number, c: Chance) => Mix): Maker =>
    (c) => {
      const from = bar(c, 10, 28)
      return { values: { track: 'reed', from }, mix: mix(from, c) }
    }
  return {
    right: [
      answer((from, c) => lines({ [REED]: set(-2, [[from - (BEAT / 4) * c.whole(4, 48), from - 60, -90]]) })),
      answer((from, c) => lines({ [REED]: rode(c, -2, [[from - 12 * BEAT, from - BEAT, -90]]) })),
      answer((from, c) => lines({ [REED]: jumps([0, 0], [from - BEAT * c.between(0, 4), -90]) })),
    ],
    others: [
      answer((from) => lines({ 'track/reed/mute': jumps([0, 0], [from, 1]) })),
      answer((from, c) => lines({ 'main/level': set(0, [[from - BEAT * c.between(2, 8), from, -90]]) })),
      answer((from) => region({ length: Math.floor((from / (4 * BEAT)) * BAR_FRAMES) })),
    ],
    near: [1, 2, 3],
    wrong: [
      answer((from, c) => lines({ [REED]: set(-2, [[from - 4 * BEAT, from, c.between(-50, -20)]]) })),
      answer((from, c) => lines({ [REED]: set(-2, [[from + BEAT, from + BEAT * c.between(2, 8), -90]]) })),
      answer((from) => lines({ 'track/reed/mute': jumps([0, 0], [from, 1], [from + 12 * BEAT, 0]) })),
      answer((from, c) =>
        lines({
          [REED]: set(-2, [
            [from - 4 * BEAT, from, -90],
            [from + 8 * BEAT, from + 9 * BEAT, c.between(-12, 0)],
          ]),
        }),
      ),
    ],
  }
})()

export const returnsTask: Task = (() => {
  const ask = (c: Chance) => {
    const from = bar(c, 3, 8)
    const to = bar(c, 16, 28)
    return { c, from, to, rest: c.between(-10, 0), values: { lane: REED, from, to, tolerance: 3 } }
  }
  type Asked = ReturnType<typeof ask>
  const answer = asking(ask)
  const goes = ({ from, to, rest }: Asked, off: number): readonly Way[] => [
    [from + 8 * BEAT, from + 9 * BEAT, rest - 8],
    [to - 4 * BEAT, to - 2 * BEAT, rest + off],
  ]
  return {
    right: [
      answer((a) => lines({ [REED]: set(a.rest, goes(a, a.c.off(0.3))) })),
      answer((a) => lines({ [REED]: rode(a.c, a.rest, goes(a, 0)) })),
    ],
    others: [
      answer((a) =>
        lines({
          [REED]: set(a.rest, goes(a, -3)),
          'track/reed/gain': set(0, [[a.to - 2 * BEAT, a.to - BEAT, 3]]),
        }),
      ),
    ],
    near: [0],
    wrong: [
      answer((a) => lines({ [REED]: set(a.rest, goes(a, -a.c.between(2.5, 6))) })),
      answer((a) => lines({ [REED]: set(a.rest, goes(a, 0).slice(0, 1)) })),
    ],
  }
})()

export const crossingTask: Task = (() => {
  const ask = (c: Chance) => {
    const from = bar(c)
    const to = from + 4 * BEAT * c.whole(2, 6)
    return { c, from, to, values: { leaves: 'reed', comes: 'pad', from, to, hole: 15 } }
  }
  type Asked = ReturnType<typeof ask>
  const answer = asking(ask)
  const fades = (a: Asked, over = a.c.between(0, 0.1)): readonly [Points, Points] => {
    const lap = Math.round(((a.to - a.from) * over) / 240) * 240
    return [set(0, [[a.from + lap, a.to, -90]]), set(-90, [[a.from, a.to - lap, 0]])]
  }
  return {
    right: [
      answer((a) => {
        const [out, into] = fades(a)
        return lines({ [REED]: out, [PAD]: into })
      }),
      answer((a) =>
        lines({ [REED]: rode(a.c, 0, [[a.from, a.to, -90]]), [PAD]: rode(a.c, -90, [[a.from, a.to, 0]]) }),
      ),
    ],
    others: [],
    near: [0],
    wrong: [
      // one is gone before the other comes
      answer((a) => {
        const middle = (a.from + a.to) / 2
        return lines({ [REED]: set(0, [[a.from, middle, -90]]), [PAD]: set(-90, [[middle, a.to, 0]]) })
      }),
      answer((a) => lines({ [REED]: fades(a)[0] })),
      answer((a) => lines({ [PAD]: fades(a)[1] })),
      answer((a) => lines({ [REED]: fades(a)[1], [PAD]: fades(a)[0] })),
    ],
  }
})()
