import { barsText } from '../../assess'
import { travelAt } from '../../envelope'
import {
  type Evidence,
  type Finding,
  amount,
  at,
  lateness,
  moveIn,
  nameOf,
  say,
  valueOf,
  valueText,
} from '../../evidence'
import { dbOfGain } from '../../maths'
import { lineInCharge } from '../../mix'
import type { Move } from '../../moves'
import { levelGain, levelScale } from '../../scale'
import { checkKind, lane, number, place, verdictOf, weakest } from '../check'

export const FIELDS = {
  lane: lane('What fades'),
  from: place('Begins'),
  to: place('Is over by'),
  beats: number('Tolerance of its ends', 'beats', 1, 0.25, 8),
  even: number('Furthest from even', '% of the way', 18, 2, 100),
} as const

export const SAY = {
  none: '{name} does not fade {way} between {from} and {to}: there it stays at {value}.',
  notSilent: '{name} is {down} by {end}, but it never gets quite silent: {value} {where}.',
  cut: '{name} is cut {way} in an instant at {start}: a fade needs time to be heard as one.',
  uneven: '{name} fades {way} over {bars}, but unevenly: {lean}.',
  place: '{name} fades {way} over {bars}; it {verb} at {tick}, {late}.',
  met: '{name} fades {way} over {bars}, evenly and {silence}.',
} as const

/** Loss in LU at which a fade begins to be heard, and at which it is over for the ear. */
export const HEARD = [1, 40] as const

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
  return checkKind({
    kind,
    name: way === 'in' ? 'Fade in' : 'Fade out',
    about:
      way === 'in'
        ? 'It comes from true silence, begins and is there at the right time, and rises evenly.'
        : 'It goes to true silence, begins and ends at the right time, and falls evenly.',
    needs: 'lines',
    fields: FIELDS,
    impossible: ({ from, to }) =>
      to - from < 240 ? 'A fade needs at least a quarter of a beat of time.' : null,
    judge(evidence, { lane, from, to, beats, even }): Finding {
      const { time } = evidence
      const name = nameOf(evidence, lane)
      const place = { lane, from, to }
      const found = moveIn(
        evidence,
        lane,
        [kind, way === 'in' ? 'rise' : 'fall', way === 'in' ? 'build' : 'drop'],
        from,
        to,
      )
      const { beat } = time.meter.lengthsAt(from)
      if (!found) {
        const jump = moveIn(evidence, lane, [way === 'in' ? 'jump up' : 'jump down'], from, to + beat)
        const sentence = jump
          ? say(SAY.cut, { name, way, start: at(evidence, jump.start) })
          : say(SAY.none, {
              name,
              way,
              from: at(evidence, from),
              to: at(evidence, to),
              value: valueText(evidence, lane, valueOf(evidence.mix, lane, to)),
            })
        return { verdict: 'not yet', sentence, place, figures: [] }
      }
      const soft = way === 'in' ? found.from : found.to
      const starts = verdictOf((found.start - from) / beat, beats)
      const ends = verdictOf((found.end - to) / beat, beats)
      const silent = soft <= -90 ? 'met' : soft <= -60 ? 'close' : 'not yet'
      // the form of the way it takes, all but the last bit above silence, which nobody hears
      const evenly = found.form === 'sudden' ? 'not yet' : verdictOf(found.unevenness * 100, even)
      const words = {
        name,
        way,
        bars: barsText(found.bars),
        down: way === 'in' ? 'up' : 'down',
        end: at(evidence, found.end),
        value: valueText(evidence, lane, soft),
        where: way === 'in' ? `at ${at(evidence, found.start)}` : 'at the end',
      }
      const late = ends !== 'met' ? found.end : found.start
      const sentence =
        found.form === 'sudden'
          ? say(SAY.cut, { ...words, start: at(evidence, found.start) })
          : silent !== 'met'
            ? say(SAY.notSilent, words)
            : starts !== 'met' || ends !== 'met'
              ? say(SAY.place, {
                  ...words,
                  verb: ends !== 'met' ? 'is over' : 'begins',
                  tick: at(evidence, late),
                  late: lateness(evidence, late, ends !== 'met' ? to : from),
                })
              : evenly !== 'met'
                ? say(SAY.uneven, {
                    ...words,
                    lean:
                      found.form === 'late' ? 'most of it comes at the end' : 'most of it comes at the start',
                  })
                : say(SAY.met, { ...words, silence: way === 'in' ? 'from silence' : 'to silence' })
      return {
        verdict: weakest(starts, ends, silent, evenly),
        sentence,
        place: { lane, from: found.start, to: found.end },
        figures: [
          { name: 'begins', value: at(evidence, found.start), wanted: at(evidence, from) },
          { name: 'is over', value: at(evidence, found.end), wanted: at(evidence, to) },
          { name: 'softest', value: valueText(evidence, lane, soft), wanted: 'silence' },
          { name: 'length as drawn', value: barsText(found.bars), wanted: '' },
          { name: 'length as heard', value: barsText(audibleBars(evidence, found)), wanted: '' },
          {
            name: 'furthest from even',
            value: amount(found.unevenness * 100, '%', 0),
            wanted: `at most ${even} %`,
          },
        ],
      }
    },
  })
}
