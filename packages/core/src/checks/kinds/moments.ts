import { barsText } from '../../assess'
import { resolve } from '../../mix'
import { checkKind, choice, lane, number, place, verdictOf, weakest, type Finding } from '../check'
import { moveIn } from '../evidence'
import { at, lateness, nameOf, say, valueText } from '../say'

/** A drop: down within a beat where a section begins. */
export const drop = checkKind({
  kind: 'drop',
  name: 'Drop',
  about: 'It falls away within a beat, right where something begins.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('At'),
    depth: number('By at least', 'dB', 6, 1, 60),
    beats: number('Tolerance of its place', 'beats', 0.5, 0.125, 4),
  },
  judge(evidence, { lane, from, depth, beats }): Finding {
    const name = nameOf(evidence, lane)
    const { beat } = evidence.time.meter.lengthsAt(from)
    const found = moveIn(
      evidence,
      lane,
      ['drop', 'jump down', 'dip', 'fall', 'fade out'],
      from - beat,
      from + beat,
    )
    const lasts = found ? (found.arrival - found.start) / beat : 0
    const off = found ? (found.arrival - from) / beat : 0
    const verdict = found
      ? weakest(
          verdictOf(off, beats),
          lasts <= 1.05 ? 'met' : lasts <= 2 ? 'close' : 'not yet',
          -found.depth >= depth ? 'met' : -found.depth >= depth * 0.6 ? 'close' : 'not yet',
        )
      : 'not yet'
    const words = found && {
      name,
      depth: Math.abs(found.depth).toFixed(1),
      at: at(evidence, found.arrival),
      late: lateness(evidence, found.arrival, from),
    }
    return {
      verdict,
      sentence: words
        ? say('{name} drops by {depth} dB and is down at {at}, {late}.', words)
        : say('{name} does not drop at {at}.', { name, at: at(evidence, from) }),
      place: found
        ? { lane, from: found.start, to: found.end }
        : { lane, from: from - beat, to: from + beat },
      figures: found
        ? [
            { name: 'falls by', value: `${words!.depth} dB`, wanted: `at least ${depth} dB` },
            { name: 'takes', value: `${lasts.toFixed(1)} beats`, wanted: 'at most 1' },
          ]
        : [],
    }
  },
})

/** A jump: a change in an instant that stays. */
export const jump = checkKind({
  kind: 'jump',
  name: 'Jump',
  about: 'It changes in an instant, at one place.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('At'),
    way: choice('Which way', [
      ['up', 'up, or on'],
      ['down', 'down, or off'],
    ]),
    beats: number('Tolerance of its place', 'beats', 0.25, 0.05, 4),
  },
  judge(evidence, { lane, from, way, beats }): Finding {
    const name = nameOf(evidence, lane)
    const { beat } = evidence.time.meter.lengthsAt(from)
    const instant = evidence.moves
      .filter(
        (m) => m.lane === lane && (way === 'up' ? m.depth > 0 : m.depth < 0) && m.arrival - m.start < 60,
      )
      .sort((a, b) => Math.abs(a.start - from) - Math.abs(b.start - from))[0]
    // the way back of a jump is a jump too
    const back = evidence.moves
      .filter(
        (m) =>
          m.lane === lane &&
          (way === 'up' ? m.depth < 0 : m.depth > 0) &&
          m.end - m.leaves < 60 &&
          m.leaves > m.arrival,
      )
      .sort((a, b) => Math.abs(a.end - from) - Math.abs(b.end - from))[0]
    const tick = [instant?.start, back?.end]
      .filter((t) => t !== undefined)
      .sort((a, b) => Math.abs(a - from) - Math.abs(b - from))[0]
    const off = tick === undefined ? Infinity : (tick - from) / beat
    return {
      verdict: verdictOf(off, beats),
      sentence:
        tick === undefined || Math.abs(off) > 8
          ? say('{name} does not jump {way} at {at}.', { name, way, at: at(evidence, from) })
          : say('{name} jumps {way} at {at}, {late}.', {
              name,
              way,
              at: at(evidence, tick),
              late: lateness(evidence, tick, from),
            }),
      place: { lane, from: Math.max(0, from - beat), to: from + beat },
      figures:
        tick === undefined
          ? []
          : [{ name: 'jumps at', value: at(evidence, tick), wanted: at(evidence, from) }],
    }
  },
})

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
