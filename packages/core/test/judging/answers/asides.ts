import { type Points } from '../../../src/envelope'
import type { Chance } from '../../drawn/hand'
import { asking, bar, BEAT, lines, made, REED, set, type Task, type Way } from './made'

/** There and back, asked for with a size. */
export function aside(kind: 'dip' | 'lift'): Task {
  const way = kind === 'dip' ? -1 : 1
  const ask = (c: Chance) => {
    const from = bar(c)
    const to = from + 4 * BEAT * c.whole(2, 8)
    const depth = kind === 'dip' ? c.between(4, 10) : c.between(3.5, 6)
    const rest = kind === 'dip' ? c.between(-6, 2) : c.between(-16, -5)
    return {
      from,
      to,
      depth,
      rest,
      c,
      values: { lane: REED, from, to, depth: Math.round(depth * 2) / 2, tolerance: 2, beats: 1 },
    }
  }
  type Asked = ReturnType<typeof ask>
  const goes = ({ from, to, depth, rest, c }: Asked, share = 1, late = 0): readonly Way[] => {
    const edge = BEAT * c.one([0.5, 1, 2])
    const goal = rest + way * depth * share
    return [
      [from - edge + late, from + late, goal],
      [to, to + edge, rest],
    ]
  }
  const offset = (a: Asked, share = 1): Points =>
    set(
      0,
      goes(a, share).map(([from, to, value]) => [from, to, value - a.rest]),
    )
  const answer = asking(ask)
  const twoSteps = (a: Asked): readonly Way[] => {
    const half = a.rest + (way * a.depth) / 2
    return [
      [a.from - 3.5 * BEAT, a.from - 2.5 * BEAT, half],
      [a.from - BEAT, a.from, a.rest + way * a.depth],
      [a.to, a.to + BEAT, a.rest],
    ]
  }
  return {
    right: [
      answer((a) => lines({ [REED]: made(a.c, a.rest, goes(a)) })),
      answer((a) => lines({ [REED]: made(a.c, a.rest, goes(a)) })),
      answer((a) => lines({ [REED]: made(a.c, a.rest, twoSteps(a)) })),
    ],
    others: [
      answer((a) => lines({ 'track/reed/gain': offset(a) })),
      answer((a) => lines({ 'main/level': set(-8, goes({ ...a, rest: -8 })) })),
      answer((a) => lines({ 'track/reed/gain': offset(a, 0.5), [REED]: offset(a, 0.5) })),
    ],
    near: [0, 1, 3],
    wrong: [
      // too little, too late, and never back
      answer((a) => lines({ [REED]: made(a.c, a.rest, goes(a, Math.max(0.1, 1 - 3.2 / a.depth))) })),
      answer((a) => lines({ [REED]: made(a.c, a.rest, goes(a, 1, BEAT * a.c.between(1.7, 4))) })),
      answer((a) => lines({ [REED]: made(a.c, a.rest, goes(a).slice(0, 1)) })),
      answer((a) => lines({ 'track/reed/gain': offset(a, Math.max(0.1, 1 - 3.2 / a.depth)) })),
      // the other way round
      answer((a) => {
        const by = kind === 'dip' ? Math.min(a.depth, 5.5 - a.rest) : a.depth
        return lines({ [REED]: made(a.c, a.rest, goes({ ...a, depth: -by })) })
      }),
    ],
  }
}
