/** What is asked about the line itself, about tails, and about the room that is left. */
import { point, type Points } from '../../../src/envelope'
import { withSetting, type Mix } from '../../../src/mix'
import type { Values } from '../../../src/checks'
import type { Chance } from '../../drawn/hand'
import { start } from '../../drawn/mistakes'
import { asking, bar, BEAT, jumps, lines, PAD, REED, SEND, set, type Maker, type Task } from './made'

const BAR = 4 * BEAT
const RETURN = 'return/hall/level'
const MAIN = 'main/level'

/** A fall or rise in three corners: so much of it in the first half. */
const bent = (form: string, half: (c: Chance) => number) =>
  asking((c: Chance) => {
    const from = bar(c)
    const to = from + BAR * c.whole(2, 8)
    return { c, from, to, values: { lane: REED, from, to, form } }
  })(({ c, from, to }) => {
    const [high, low] = [c.between(-4, 4), c.between(-30, -14)]
    const [first, last] = c.one([
      [high, low],
      [low, high],
    ] as const)
    // in dB a fader's way is about even between these two
    const middle = first + (last - first) * half(c)
    return lines({
      [REED]: set(first, [
        [from, (from + to) / 2, middle],
        [(from + to) / 2, to, last],
      ]),
    })
  })

export const formTask: Task = {
  right: [
    bent('early', (c) => c.between(0.8, 0.95)),
    bent('late', (c) => c.between(0.05, 0.2)),
    bent('early', (c) => c.between(0.85, 0.95)),
  ],
  others: [],
  wrong: [
    bent('late', (c) => c.between(0.8, 0.95)),
    bent('early', (c) => c.between(0.05, 0.2)),
    bent('sudden', (c) => c.between(0.4, 0.6)),
  ],
  near: [],
}

const few = (count: (c: Chance) => number): Maker =>
  asking((c: Chance) => ({ c, values: { lane: REED, most: 8 } }))(({ c }) =>
    lines({ [REED]: Array.from({ length: count(c) }, (_, i) => point(i * BEAT, i % 2 ? -6 : -3)) }),
  )
export const fewTask: Task = {
  right: [few((c) => c.whole(2, 8))],
  others: [],
  wrong: [few((c) => c.whole(9, 60)), few(() => 0)],
  near: [0],
}

const allowed = (all: (line: Points, c: Chance) => Mix): Maker =>
  asking((c: Chance) => ({ c, values: { lanes: [REED, SEND] } }))(({ c }) => {
    const from = bar(c)
    return all(set(-3, [[from, from + BAR * c.whole(1, 4), -c.between(6, 20)]]), c)
  })
export const onlyTask: Task = {
  right: [
    allowed((line) => lines({ [REED]: line })),
    allowed((line) => lines({ [REED]: line, [SEND]: line })),
    allowed(() => start),
  ],
  others: [],
  wrong: [
    allowed((line) => lines({ [REED]: line, [PAD]: line })),
    allowed((line) => lines({ 'track/pad/pan': line.map((p) => ({ ...p, value: p.value / 100 })) })),
    allowed((line) => lines({ [MAIN]: line })),
  ],
  near: [],
}

const peaks = asking((c: Chance) => {
  const from = bar(c)
  const to = from + BAR * 6
  return {
    c,
    from,
    to,
    values: { from, to, most: -1 } as Values,
    up: (by: number): Points =>
      set(0, [
        [from, from + BAR, by],
        [to, to + BEAT, 0],
      ]),
  }
})
/** The mix of the listener peaks 11 dB over how loud it is: at −6 dBTP where nothing is moved. */
export const peakTask: Task = {
  loud: { reed: () => -20, pad: () => -20 },
  right: [
    peaks(({ c, up }) => lines({ [REED]: up(c.between(1, 5)) })),
    peaks(({ c, up }) => lines({ [REED]: up(c.between(1, 4)), [PAD]: up(c.between(1, 4)) })),
  ],
  others: [
    peaks(({ up }) => lines({ [REED]: up(6), [PAD]: up(6) }, withSetting(start, MAIN, -3))),
    peaks(({ c, up }) => lines({ [REED]: up(6), [PAD]: up(6), [MAIN]: up(-c.between(2, 6)) })),
  ],
  wrong: [
    peaks(({ c, up }) => lines({ [REED]: up(6), [PAD]: up(c.between(5.3, 6)) })),
    peaks(({ c, up }) => lines({ [MAIN]: up(c.between(5.3, 6)) })),
    // loud somewhere else only is no fault of these bars: so these are loud here too
    peaks(({ c, up }) => lines({ [REED]: up(6), [MAIN]: up(c.between(2.5, 5)) })),
  ],
  near: [0, 1],
}

const opened = () => withSetting(start, SEND, -6)
const tails = asking((c: Chance) => {
  const from = bar(c, 6, 20)
  const to = from + BAR * 4
  return { c, from, to, shut: from + BEAT * c.whole(1, 8), values: { track: 'reed', from, to } }
})
export const tailTask: Task = {
  right: [
    tails(({ c, shut }) => lines({ [SEND]: set(-6, [[shut, shut + BEAT * c.whole(1, 3), -90]]) }, opened())),
    tails(({ shut }) => lines({ [SEND]: jumps([0, -6], [shut, -90]) }, opened())),
  ],
  others: [
    tails(({ shut }) => lines({ 'send/to-hall/on': jumps([0, 1], [shut, 0]) }, opened())),
    // the return follows when all has rung out
    tails(({ shut }) =>
      lines(
        { [SEND]: jumps([0, -6], [shut, -90]), [RETURN]: jumps([0, 0], [shut + 4 * BAR, -90]) },
        opened(),
      ),
    ),
  ],
  wrong: [
    tails(({ shut }) => lines({ [RETURN]: jumps([0, 0], [shut, -90]) }, opened())),
    tails(({ shut }) => lines({ 'return/hall/mute': jumps([0, 0], [shut, 1]) }, opened())),
    // the send moves, and is never shut
    tails(({ c, shut }) => lines({ [SEND]: set(-6, [[shut, shut + BEAT, c.between(-20, 0)]]) }, opened())),
    tails(() => opened()),
  ],
  near: [2],
}
