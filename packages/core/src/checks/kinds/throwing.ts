import { barsText } from '../../assess'
import { type Finding, at, lateness, moveIn, nameOf, say, valueText } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, lane, number, place, verdictOf, weakest } from '../check'

/** A throw: a send or wet value that opens for a moment. */
export const throwing = checkKind({
  kind: 'throw',
  name: 'Throw',
  about: 'A send or wet value opens for one word and closes again.',
  needs: 'lines',
  fields: {
    lane: lane('Send or wet'),
    from: place('Opens by'),
    to: place('Is closed again by'),
    least: number('Opens to at least', 'dB, or %', -12, -60, 100),
    beats: number('Tolerance of its place', 'beats', 1, 0.25, 8),
  },
  impossible: ({ from, to }) => (to <= from ? 'It must close after it opens.' : null),
  judge(evidence, { lane, from, to, least, beats }): Finding {
    const name = nameOf(evidence, lane)
    const { beat } = evidence.time.meter.lengthsAt(from)
    const found = moveIn(evidence, lane, ['throw', 'lift'], from - beat * 2, to + beat * 2)
    if (!found) {
      const open = moveIn(evidence, lane, ['rise', 'fade in', 'jump up', 'build'], from - beat * 2, to)
      return {
        verdict: 'not yet',
        sentence: open
          ? say('{name} opens at {at}, but it never closes again: everything after it echoes too.', {
              name,
              at: at(evidence, open.start),
            })
          : say('{name} stays closed between {from} and {to}.', {
              name,
              from: at(evidence, from),
              to: at(evidence, to),
            }),
        place: { lane, from, to },
        figures: [],
      }
    }
    const percent = resolve(evidence.mix, lane)?.control.scale.kind === 'linear'
    const goal = percent ? found.goal * 100 : found.goal
    const high = goal >= least ? 'met' : goal >= least - (percent ? 20 : 6) ? 'close' : 'not yet'
    const opens = verdictOf((found.arrival - from) / beat, beats)
    const closes = verdictOf(Math.max(0, (found.end - to) / beat), beats)
    const words = {
      name,
      value: valueText(evidence, lane, found.goal),
      start: at(evidence, found.start),
      bars: barsText(found.bars),
      late: opens !== 'met' ? lateness(evidence, found.arrival, from) : lateness(evidence, found.end, to),
    }
    return {
      verdict: weakest(high, opens, closes),
      sentence: say(
        opens !== 'met'
          ? '{name} is thrown open to {value} at {start}, {late}.'
          : closes !== 'met'
            ? '{name} is thrown open in time, but it closes {late}.'
            : high !== 'met'
              ? '{name} opens in time, but only to {value}: hardly heard.'
              : '{name} is thrown open to {value} at {start} and closes again {bars} later.',
        words,
      ),
      place: { lane, from: found.start, to: found.end },
      figures: [
        { name: 'opens', value: at(evidence, found.arrival), wanted: at(evidence, from) },
        { name: 'closed again', value: at(evidence, found.end), wanted: at(evidence, to) },
        {
          name: 'opens to',
          value: valueText(evidence, lane, found.goal),
          wanted: `at least ${least}${percent ? ' %' : ' dB'}`,
        },
      ],
    }
  },
})
