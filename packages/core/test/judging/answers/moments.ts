/** What happens in a moment. */
import { type Points } from '../../../src/envelope'
import { withSetting, type Mix } from '../../../src/mix'
import type { Chance } from '../../drawn/hand'
import { start } from '../../drawn/mistakes'
import { barTick as at } from '../../drawn/moves'
import {
  asking,
  bar,
  BEAT,
  jumps,
  lines,
  made,
  REED,
  rode,
  SEND,
  set,
  type Maker,
  type Task,
  type Way,
} from './made'

export const throwTask: Task = (() => {
  const ask = (c: Chance) => {
    const from = bar(c)
    const to = from + BEAT * c.whole(2, 6)
    return { c, from, to, values: { lane: SEND, from, to, least: -12, beats: 1 } }
  }
  type Asked = ReturnType<typeof ask>
  const answer = asking(ask)
  const goes = ({ c, from, to }: Asked, goal = c.between(-9, 0)): readonly Way[] => [
    [from - BEAT / 2, from, goal],
    [to - BEAT / 2, to, -90],
  ]
  const open = () => withSetting(start, SEND, -4)
  return {
    right: [
      answer((a) => lines({ [SEND]: made(a.c, -90, goes(a)) })),
      answer((a) => lines({ [SEND]: made(a.c, -90, goes(a)) })),
      answer((a) => lines({ [SEND]: jumps([0, -90], [a.from, a.c.between(-9, 0)], [a.to, -90]) })),
    ],
    others: [
      answer((a) => lines({ 'return/hall/level': jumps([0, -90], [a.from, 0], [a.to, -90]) }, open())),
      answer((a) => lines({ 'send/to-hall/on': jumps([0, 0], [a.from, 1], [a.to, 0]) }, open())),
      answer((a) =>
        lines({ 'effect/hall-reverb/wet': jumps([0, 0], [a.from, a.c.between(0.6, 1)], [a.to, 0]) }, open()),
      ),
    ],
    near: [1, 2],
    wrong: [
      answer((a) => lines({ [SEND]: made(a.c, -90, goes(a).slice(0, 1)) })),
      answer((a) => lines({ [SEND]: made(a.c, -90, goes(a, a.c.between(-30, -21))) })),
      answer((a) =>
        lines({ [SEND]: made(a.c, -90, goes({ ...a, from: a.from + 3 * BEAT, to: a.to + 3 * BEAT })) }),
      ),
      answer((a) => lines({ 'send/to-hall/on': jumps([0, 0], [a.from, 1]) }, open())),
      answer((a) => lines({ 'effect/hall-reverb/wet': jumps([0, 0], [a.from, 1], [a.to, 0]) })),
    ],
  }
})()

export const dropTask: Task = (() => {
  const ask = (c: Chance) => {
    const from = at(c.one([9, 17, 25]))
    const rest = c.between(-6, 2)
    return { c, from, rest, values: { lane: REED, from, depth: 12, beats: 0.5 } }
  }
  type Asked = ReturnType<typeof ask>
  const answer = asking(ask)
  const falls = (a: Asked, by: number, beats: number, late = 0): Points =>
    set(a.rest, [[a.from - BEAT * beats + late, a.from + late, a.rest - by]])
  return {
    right: [
      answer((a) => lines({ [REED]: falls(a, a.c.between(13, 30), a.c.between(0.1, 0.9)) })),
      answer((a) => lines({ [REED]: jumps([0, a.rest], [a.from, a.rest - a.c.between(13, 90)]) })),
      answer((a) => lines({ [REED]: rode(a.c, a.rest, [[a.from - 0.4 * BEAT, a.from, -90]]) })),
    ],
    others: [
      answer((a) => lines({ 'track/reed/mute': jumps([0, 0], [a.from, 1]) })),
      answer((a) => lines({ 'track/reed/gain': jumps([0, 0], [a.from, -a.c.between(13, 20)]) })),
      answer((a) => lines({ 'main/level': jumps([0, -4], [a.from, -4 - a.c.between(13, 40)]) })),
    ],
    near: [1, 3, 5, 6],
    wrong: [
      answer((a) => lines({ [REED]: falls(a, 20, a.c.between(3, 8)) })),
      answer((a) => lines({ [REED]: falls(a, a.c.between(3, 10.5), 0.5) })),
      // a fade that begins there
      answer((a) => lines({ [REED]: set(a.rest, [[a.from, a.from + BEAT * a.c.whole(4, 16), -90]]) })),
      answer((a) => lines({ [REED]: falls(a, 20, 0.5, BEAT * a.c.between(1.5, 4)) })),
      answer((a) => lines({ 'track/reed/mute': jumps([0, 0], [a.from + 2 * BEAT, 1]) })),
      answer((a) => lines({ 'track/reed/gain': jumps([0, 0], [a.from, -a.c.between(2, 9)]) })),
    ],
  }
})()

export const jumpTask: Task = (() => {
  const answer =
    (mix: (from: number, c: Chance) => Mix): Maker =>
    (c) => {
      const from = bar(c)
      return { values: { lane: REED, from, way: 'down', beats: 0.25 }, mix: mix(from, c) }
    }
  return {
    right: [
      answer((from, c) => lines({ [REED]: jumps([0, 0], [from, c.between(-90, -6)]) })),
      answer((from, c) => lines({ [REED]: jumps([0, 0], [from, c.between(-90, -6)], [from + 8 * BEAT, 0]) })),
      answer((from, c) => lines({ [REED]: set(0, [[from, from + 20, c.between(-90, -6)]]) })),
    ],
    others: [
      answer((from) => lines({ 'track/reed/mute': jumps([0, 0], [from, 1]) })),
      answer((from, c) => lines({ 'track/reed/gain': jumps([0, 0], [from, c.between(-20, -8)]) })),
    ],
    near: [0, 1, 3],
    wrong: [
      answer((from, c) => lines({ [REED]: set(0, [[from, from + BEAT * c.between(1, 3), -20]]) })),
      answer((from, c) => lines({ [REED]: jumps([0, 0], [from + BEAT * c.between(0.6, 3), -20]) })),
      answer((from) => lines({ [REED]: jumps([0, -20], [from, 0]) })),
      answer((from, c) => lines({ 'track/reed/mute': jumps([0, 0], [from + BEAT * c.between(0.6, 3), 1]) })),
    ],
  }
})()
