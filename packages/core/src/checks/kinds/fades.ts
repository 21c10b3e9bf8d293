import { words } from '@rudlo/words'
import { travelAt } from '../../envelope'
import {
  type Evidence,
  type Finding,
  amount,
  at,
  laneOf,
  late,
  moveIn,
  say,
  span,
  valued,
  valueOf,
  wanted,
  word,
} from '../../evidence'
import { dbOfGain } from '../../maths'
import { lineInCharge } from '../../mix'
import type { Move } from '../../moves'
import { levelGain, levelScale } from '../../scale'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

export const FIELDS = {
  lane: lane('what-fades'),
  from: place('begins'),
  to: place('is-over-by'),
  beats: number('off-ends', 'beats', 1, 0.25, 8),
  even: number('furthest-from-even', 'of-way', 18, 2, 100),
} as const

/** Loss in LU at which a fade begins to be heard, and at which it is over for the ear. */
export const HEARD = [1, 40] as const
/** Softer than this is silence to most ears, beside anything else. */
const NEARLY_SILENT_DB = -60

/** How many bars of a fade are heard as one: from 1 LU to 40 LU of loss. */
export function audibleBars({ mix, time }: Evidence, fade: Move): number {
  const line = lineInCharge(mix, fade.lane)
  if (!line) return 0
  const top = Math.max(fade.from, fade.to)
  const LOOKS = 400
  let first: number | null = null
  let last = fade.start
  for (let k = 0; k <= LOOKS; k++) {
    const tick = fade.start + ((fade.end - fade.start) * k) / LOOKS
    const gain = levelGain(levelScale.toValue(travelAt(line.points, levelScale, tick)))
    const loss = gain > 0 ? dbOfGain(levelGain(top) / gain) : Infinity
    if (loss < HEARD[0] || loss > HEARD[1]) continue
    first ??= tick
    last = tick
  }
  return first === null ? 0 : time.meter.barsBetween(first, last)
}

export function fade(way: 'in' | 'out') {
  const kind = `fade ${way}` as const
  const up = way === 'in'
  const key = `check.fade-${way}`
  return checkKind({
    kind,
    needs: 'lines',
    fields: FIELDS,
    impossible: ({ from, to }) => (to - from < 240 ? words('impossible.fade-needs-least') : null),
    judge(evidence, { lane, from, to, beats, even }): Finding {
      const { time, mix } = evidence
      const place = { lane, from, to }
      const name = laneOf(lane)
      const { beat } = time.meter.lengthsAt(from)
      const kinds = up ? (['fade in', 'rise', 'build'] as const) : (['fade out', 'fall', 'drop'] as const)
      const move = moveIn(evidence, lane, kinds, from, to)
      if (!move) {
        const jump = moveIn(evidence, lane, [up ? 'jump up' : 'jump down'], from, to + beat)
        if (jump) return found('not yet', say(`${key}.cut`, { name, at: at(jump.start) }), place)
        const [first, last] = [valueOf(mix, lane, from), valueOf(mix, lane, to)]
        const still = Math.abs(first - last) < 0.5
        const parts = { name, bars: span(from, to), value: valued(lane, last) }
        return found('not yet', say(still ? `${key}.still` : `${key}.none`, parts), place)
      }
      const soft = up ? move.from : move.to
      const starts = verdictOf((move.start - from) / beat, beats)
      const ends = verdictOf((move.end - to) / beat, beats)
      // with the end of the song everything is over anyway
      const last = !up && move.end >= time.length - beat / 2
      const silent =
        soft <= (last ? NEARLY_SILENT_DB : -90) ? 'met' : soft <= NEARLY_SILENT_DB ? 'close' : 'not yet'
      const evenly = move.form === 'sudden' ? 'not yet' : verdictOf(move.unevenness * 100, even)
      const parts = {
        name,
        bars: amount(move.bars, 'bars'),
        value: valued(lane, soft),
        at: at(move.start),
        end: at(move.end),
      }
      return conclude(
        { lane, from: move.start, to: move.end },
        [
          { name: 'begins', value: at(move.start), wanted: wanted('is', at(from)) },
          { name: 'over', value: at(move.end), wanted: wanted('is', at(to)) },
          { name: 'softest', value: valued(lane, soft), wanted: wanted('is', word('silence')) },
          { name: 'drawn', value: amount(move.bars, 'bars'), wanted: null },
          { name: 'heard', value: amount(audibleBars(evidence, move), 'bars'), wanted: null },
          {
            name: 'uneven',
            value: amount(move.unevenness * 100, '%', 0),
            wanted: wanted('most', amount(even, '%', 0)),
          },
        ],
        [
          { verdict: move.form === 'sudden' ? 'not yet' : 'met', says: say(`${key}.cut`, parts) },
          { verdict: silent, says: say(`${key}.not-silent`, parts) },
          { verdict: ends, says: say(`${key}.ends`, { ...parts, late: late(evidence, move.end, to) }) },
          {
            verdict: starts,
            says: say(`${key}.starts`, { ...parts, late: late(evidence, move.start, from) }),
          },
          {
            verdict: evenly,
            says: say(
              `${key}.uneven-${move.form === 'late' ? 'late' : move.form === 'early' ? 'early' : 'other'}`,
              parts,
            ),
          },
        ],
        say(`${key}.met`, parts),
      )
    },
  })
}
