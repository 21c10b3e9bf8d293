import { type Address, type Mix } from '../../../src/mix'
import { levelScale } from '../../../src/scale'
import type { Chance } from '../../drawn/hand'
import { barTick as at } from '../../drawn/moves'
import {
  asking,
  BAR_FRAMES,
  BEAT,
  END,
  jumps,
  lines,
  made,
  REED,
  region,
  set,
  type Task,
  type Way,
} from './made'

/** From silence, or to it. */
export function fade(way: 'in' | 'out'): Task {
  const out = way === 'out'
  const ask = (c: Chance) => {
    const from = out ? at(c.whole(22, 29)) : at(c.whole(1, 3))
    const to = from + 4 * BEAT * c.whole(2, out ? 4 : 8)
    const rest = c.between(-6, 1)
    return { c, from, to, rest, values: { lane: REED, from, to, beats: 1.5, even: 30 } }
  }
  type Asked = ReturnType<typeof ask>
  const goes = ({ from, to, rest }: Asked, soft = -90): readonly [number, readonly Way[]] =>
    out ? [rest, [[from, to, soft]]] : [soft, [[from, to, rest]]]
  const answer = asking(ask)
  const line = (lane: Address, a: Asked, soft?: number, by = made) =>
    lines({ [lane]: by(a.c, ...goes(a, soft)) })
  const shifted = (a: Asked): Asked => {
    const by = BEAT * a.c.between(3, 6) * (out ? -1 : 1)
    return { ...a, from: a.from + by, to: a.to + by }
  }
  const paused = (a: Asked): Mix => {
    const middle = (a.from + a.to) / 2
    const half = levelScale.toValue(levelScale.toTravel(a.rest) / 2)
    const rests = BEAT / 2
    return lines({
      [REED]: set(out ? a.rest : -90, [
        [a.from, middle - rests, half],
        [middle + rests, a.to, out ? -90 : a.rest],
      ]),
    })
  }
  return {
    right: [answer((a) => line(REED, a)), answer((a) => line(REED, a)), answer(paused)],
    others: [
      answer((a) => line('main/level', a, undefined, (_c, first, ways) => set(first, ways))),
      () => {
        const from = out ? END - 16 * BEAT : 0
        const to = out ? END : 16 * BEAT
        const values = { lane: REED, from, to, beats: 1.5, even: 30 }
        return { values, mix: region({ [out ? 'fadeOut' : 'fadeIn']: 4 * BAR_FRAMES }) }
      },
    ],
    near: [0, 1, 3],
    wrong: [
      answer((a) => line(REED, a, a.c.between(-34, -15))),
      answer((a) => line(REED, shifted(a))),
      answer((a) =>
        lines({ [REED]: out ? jumps([0, a.rest], [a.from, -90]) : jumps([0, -90], [a.to, a.rest]) }),
      ),
      answer((a) => lines({ 'main/level': set(...goes(a, -30)) })),
      answer((a) => ({ ...lines({ [REED]: set(...goes(a)) }), envelopes: [] })),
    ],
  }
}
