/** What is asked about the sound: who stands over whom, how loud it is, whether it is even, whether it grows. */
import type { Points } from '../../../src/envelope'
import { withSetting, type Mix } from '../../../src/mix'
import type { Values } from '../../../src/checks'
import type { Chance } from '../../drawn/hand'
import { start } from '../../drawn/mistakes'
import { barTick as at } from '../../drawn/moves'
import type { Loud } from './listen'
import { asking, BEAT, lines, made, PAD, REED, set, type Maker, type Task, type Way } from './made'

const GAIN = 'track/reed/gain'
const MAIN = 'main/level'
const BAR = 4 * BEAT
const steady =
  (level: number): Loud =>
  () =>
    level
/** Both tracks are as loud as each other: −17 LUFS together. */
const EQUAL = { reed: steady(-20), pad: steady(-20) }

const span = (c: Chance) => {
  const from = at(c.whole(6, 16))
  return { c, from, to: from + BAR * c.whole(4, 8) }
}
type Span = ReturnType<typeof span>

/** Goes somewhere for the span, and back. */
const during = ({ from, to }: Span, value: number, rest = 0): readonly Way[] => [
  [from - BEAT, from, value],
  [to, to + BEAT, rest],
]
const there = (s: Span, value: number): Points => set(0, during(s, value))

const asked =
  (more: Values) =>
  (mix: (s: Span) => Mix): Maker =>
    asking((c) => {
      const s = span(c)
      return { ...s, values: { from: s.from, to: s.to, ...more } }
    })(mix)

const over = asked({ track: 'reed', low: 1, high: 5 })
export const leadTask: Task = {
  loud: EQUAL,
  right: [
    over((s) => lines({ [REED]: made(s.c, 0, during(s, s.c.between(1.8, 4.2))) })),
    over((s) => withSetting(start, REED, s.c.between(1.5, 4.5))),
  ],
  others: [
    over((s) => lines({ [PAD]: there(s, -s.c.between(1.8, 4.2)) })),
    over((s) => lines({ [GAIN]: there(s, s.c.between(1.8, 4.2)) })),
    over((s) => withSetting(start, PAD, -s.c.between(1.5, 4.5))),
  ],
  wrong: [
    over((s) => lines({ [REED]: there(s, s.c.between(-3, 0.4)) })),
    over((s) => lines({ [PAD]: there(s, -s.c.between(6, 12)) })),
    over((s) => lines({ [PAD]: there(s, s.c.between(2, 5)) })),
    // at another place
    over((s) => lines({ [REED]: there({ ...s, from: at(1) + BEAT, to: at(3) }, 3) })),
  ],
  near: [],
}

const inside = asked({ track: 'pad', low: -14, high: -6 })
export const inMixTask: Task = {
  loud: EQUAL,
  right: [
    inside((s) => lines({ [PAD]: made(s.c, 0, during(s, -s.c.between(6.5, 12))) })),
    inside((s) => withSetting(start, PAD, -s.c.between(6.5, 12))),
  ],
  others: [
    inside((s) => lines({ 'track/pad/gain': there(s, -s.c.between(6.5, 12)) })),
    inside((s) => lines({ [REED]: there(s, 4), [PAD]: there(s, -s.c.between(3, 7)) })),
  ],
  wrong: [
    inside((s) => lines({ [PAD]: there(s, -s.c.between(0, 2.5)) })),
    inside((s) => lines({ [PAD]: there(s, -s.c.between(18, 40)) })),
    inside((s) => lines({ [PAD]: there(s, s.c.between(1, 5)) })),
  ],
  near: [],
}

const sides = asked({ tolerance: 2 })
const panned = (s: Span, reed: number, pad: number) =>
  lines({ 'track/reed/pan': there(s, reed), 'track/pad/pan': there(s, pad) })
export const sidesTask: Task = {
  loud: EQUAL,
  right: [
    sides((s) => {
      const far = s.c.between(0.3, 0.9)
      return panned(s, -far, far)
    }),
  ],
  others: [
    // far to one side, but soft
    sides((s) => lines({ 'track/pad/pan': there(s, 0.9), [PAD]: there(s, -s.c.between(10, 20)) })),
  ],
  wrong: [
    sides((s) => panned(s, s.c.between(0.4, 0.9), s.c.between(0.4, 0.9))),
    sides((s) => panned(s, 0, -s.c.between(0.8, 1))),
    sides((s) =>
      lines({ 'track/reed/pan': there(s, -0.8), 'track/pad/pan': there(s, 0.8), [PAD]: there(s, -12) }),
    ),
  ],
  near: [],
}

const measures = asked({ value: -23, tolerance: 1.5 })
export const loudnessTask: Task = {
  loud: EQUAL,
  right: [
    measures((s) => {
      const by = -s.c.between(5, 7)
      return lines({ [REED]: there(s, by), [PAD]: there(s, by) })
    }),
    measures((s) => lines({ [PAD]: there(s, -60), [REED]: there(s, -s.c.between(2, 4)) })),
  ],
  others: [
    measures((s) => lines({ [MAIN]: there(s, -s.c.between(5, 7)) })),
    measures((s) => withSetting(start, MAIN, -s.c.between(5, 7))),
    measures((s) => lines({ [GAIN]: there(s, -6), 'track/pad/gain': there(s, -s.c.between(5, 7)) })),
  ],
  wrong: [
    measures((s) => lines({ [REED]: there(s, -6) })),
    measures((s) => lines({ [MAIN]: there(s, -s.c.between(0, 3.5)) })),
    measures((s) => lines({ [MAIN]: there(s, -s.c.between(9, 20)) })),
  ],
  near: [],
}

/** Phrases of two bars by turns 6 dB softer. */
const uneven: Loud = (tick) => (Math.floor(tick / (2 * BAR)) % 2 ? -26 : -20)
const even = (mix: (by: (by: number) => Points, c: Chance) => Mix): Maker =>
  asking((c: Chance) => {
    const from = at(9)
    return { c, values: { track: 'reed', from, to: at(25), phrase: 2, against: 'rest', most: 3 } }
  })(({ c }) =>
    mix((by) => {
      // up by so much in every second phrase
      const ways = Array.from({ length: 8 }, (_, k): Way => {
        const place = k * 2 * BAR
        return [place - 240, place + 240, k % 2 ? by : 0]
      }).map(([from, to, value]): Way => [from + at(9), to + at(9), value])
      return set(0, [...ways, [at(25), at(25) + 240, 0]])
    }, c),
  )
export const evennessTask: Task = {
  loud: { reed: uneven, pad: steady(-20) },
  right: [even((by, c) => lines({ [REED]: by(c.between(4, 8)) }))],
  others: [
    even((by, c) => lines({ [GAIN]: by(c.between(4, 8)) })),
    even((by, c) => lines({ [PAD]: by(-c.between(4, 8)) })),
  ],
  wrong: [
    even((by, c) => lines({ [REED]: by(c.between(0.2, 2.2)) })),
    even((by, c) => lines({ [REED]: by(-c.between(1, 6)) })),
    even((by, c) => lines({ [PAD]: by(-c.between(12, 20)) })),
  ],
  near: [],
}

const builds = asked({ by: 'loudness', least: 4, steady: 70 })
/** Grows over the span by so many dB, and stays. @param after what it is then */
const grows = ({ from, to }: Span, by: number, after = 0): Points => [
  ...set(-by, [[from, to, 0]]),
  ...(after ? set(0, [[to, to + 60, after]]).slice(-1) : []),
]
const stairs = ({ from, to }: Span, by: number): Points => {
  const count = Math.round((to - from) / BAR)
  return set(
    -by,
    Array.from({ length: count - 1 }, (_, k): Way => {
      const place = from + BAR * (k + 1)
      return [place - 60, place, -by + (by * (k + 1)) / (count - 1)]
    }),
  )
}
const both = (points: Points) => lines({ [REED]: points, [PAD]: points })
export const buildTask: Task = {
  loud: EQUAL,
  right: [
    builds((s) => both(grows(s, s.c.between(7, 14)))),
    builds((s) => both(stairs(s, s.c.between(6, 12)))),
  ],
  others: [
    builds((s) => lines({ [MAIN]: grows(s, s.c.between(7, 14)) })),
    builds((s) => lines({ [GAIN]: grows(s, s.c.between(8, 14)), 'track/pad/gain': stairs(s, 10) })),
  ],
  wrong: [
    builds((s) => both(grows(s, s.c.between(0.5, 3)))),
    builds((s) => both(set(0, [[s.from, s.to, -s.c.between(4, 10)]]))),
    // it is there much too early, and sinks
    builds((s) =>
      both(
        set(-10, [
          [s.from, s.from + BAR, 0],
          [s.from + 2 * BAR, s.to, -5],
        ]),
      ),
    ),
    // what was built is taken away again
    builds((s) => both(grows(s, 10, -s.c.between(8, 14)))),
  ],
  near: [],
}

const stands = asking((c: Chance) => {
  const from = at(c.whole(6, 24))
  return { c, from, values: { lane: REED, from, value: -6, tolerance: 1 } }
})
export const positionTask: Task = {
  right: [
    stands(({ c, from }) => lines({ [REED]: set(0, [[from - 4 * BEAT, from - BEAT, -6 + c.off(0.4)]]) })),
    stands(({ c, from }) => lines({ [REED]: set(-12, [[from - 8 * BEAT, from, -6 + c.off(0.4)]]) })),
  ],
  others: [
    stands(({ c, from }) => lines({ [GAIN]: set(0, [[from - 4 * BEAT, from - BEAT, -6 + c.off(0.4)]]) })),
  ],
  wrong: [
    stands(({ c, from }) => lines({ [REED]: set(0, [[from - 4 * BEAT, from - BEAT, -c.between(0, 4.5)]]) })),
    stands(({ from }) => lines({ [REED]: set(0, [[from + BEAT, from + 2 * BEAT, -6]]) })),
    stands(({ c, from }) => lines({ [GAIN]: set(0, [[from - 4 * BEAT, from - BEAT, -c.between(8, 20)]]) })),
  ],
  near: [],
}
