import { barsText } from '../../assess'
import { type Finding, at, lateness, nameOf, say, valueText } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, choice, lane, number, place, verdictOf, weakest } from '../check'

/** A sweep: from one side to the other, or a filter up or down. */
export const sweep = checkKind({
  kind: 'sweep',
  name: 'Sweep',
  about: 'A pan walks from one side to the other, or a filter goes a long way up or down.',
  needs: 'lines',
  fields: {
    lane: lane('Pan or frequency'),
    from: place('Begins'),
    to: place('Arrives at'),
    way: choice('Which way', [
      ['up', 'to the right, or upwards'],
      ['down', 'to the left, or downwards'],
    ]),
    least: number('At least', '% of the way', 40, 5, 100),
    beats: number('Tolerance of its ends', 'beats', 2, 0.25, 16),
  },
  impossible: ({ from, to }) => (to <= from ? 'A sweep arrives after it begins.' : null),
  judge(evidence, { lane, from, to, way, least, beats }): Finding {
    const name = nameOf(evidence, lane)
    const scale = resolve(evidence.mix, lane)?.control.scale
    const { beat } = evidence.time.meter.lengthsAt(from)
    const rightWay = (depth: number) => (way === 'up' ? depth > 0 : depth < 0)
    const all = evidence.moves.filter(
      (m) => m.lane === lane && rightWay(m.depth) && m.start < to && m.arrival > from,
    )
    const found = [...all].sort((a, b) => Math.abs(b.depth) - Math.abs(a.depth))[0]
    if (!found || !scale) {
      const other = evidence.moves.some((m) => m.lane === lane && m.start < to && m.end > from)
      return {
        verdict: 'not yet',
        sentence: say(
          other ? '{name} goes the other way here.' : '{name} stays where it is from {from} to {to}.',
          {
            name,
            from: at(evidence, from),
            to: at(evidence, to),
          },
        ),
        place: { lane, from, to },
        figures: [],
      }
    }
    const far = 100 * Math.abs(scale.toTravel(found.goal) - scale.toTravel(found.from))
    const enough = far >= least ? 'met' : far >= least * 0.7 ? 'close' : 'not yet'
    const begins = verdictOf((found.start - from) / beat, beats)
    const arrives = verdictOf((found.arrival - to) / beat, beats)
    const words = {
      name,
      a: valueText(evidence, lane, found.from),
      b: valueText(evidence, lane, found.goal),
      bars: barsText(evidence.time.meter.barsBetween(found.start, found.arrival)),
      at: at(evidence, found.arrival),
      start: at(evidence, found.start),
      late: begins !== 'met' ? lateness(evidence, found.start, from) : lateness(evidence, found.arrival, to),
    }
    return {
      verdict: weakest(enough, begins, arrives),
      sentence: say(
        enough !== 'met'
          ? '{name} goes from {a} to {b}: it could go further.'
          : begins !== 'met'
            ? '{name} sets off from {a} at {start}, {late}.'
            : arrives !== 'met'
              ? '{name} arrives at {b} at {at}, {late}.'
              : '{name} goes from {a} to {b} over {bars} and arrives at {at}.',
        words,
      ),
      place: { lane, from: found.start, to: found.arrival },
      figures: [
        { name: 'begins', value: words.start, wanted: at(evidence, from) },
        { name: 'arrives', value: words.at, wanted: at(evidence, to) },
        { name: 'how far', value: `${Math.round(far)} % of the way`, wanted: `at least ${least} %` },
      ],
    }
  },
})
