import { words } from '@rudlo/words'
import { type Finding, amount, at, laneOf, late, say, span, valued, wanted } from '../../evidence'
import { resolve } from '../../mix'
import { checkKind, choice, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** Faster than this share of the time that was asked for it leaps: into the next shape, or to the ear in an instant. */
const TOO_FAST = { close: 1 / 3, leap: 1 / 20 }

/** A sweep: from one side to the other, or a filter up or down. */
export const sweep = checkKind({
  kind: 'sweep',
  needs: 'lines',
  fields: {
    lane: lane('pan-or-frequency'),
    from: place('begins'),
    to: place('arrives-at'),
    way: choice('which-way', ['up', 'down']),
    least: number('at-least', 'of-way', 40, 5, 100),
    beats: number('off-ends', 'beats', 2, 0.25, 16),
  },
  impossible: ({ from, to }) => (to <= from ? words('impossible.sweep-arrives-after') : null),
  judge(evidence, { lane, from, to, way, least, beats }): Finding {
    const name = laneOf(lane)
    const scale = resolve(evidence.mix, lane)?.control.scale
    const { beat } = evidence.time.meter.lengthsAt(from)
    const own = evidence.moves.filter((m) => m.lane === lane && m.start < to)
    const move = own
      .filter((m) => (way === 'up' ? m.depth > 0 : m.depth < 0) && m.arrival > from)
      .sort((a, b) => Math.abs(b.depth) - Math.abs(a.depth))[0]
    if (!move || !scale) {
      const other = own.some((m) => m.end > from)
      return found(
        'not yet',
        say(other ? 'check.sweep.other' : 'check.sweep.still', { name, bars: span(from, to) }),
        { lane, from, to },
      )
    }
    const far = 100 * Math.abs(scale.toTravel(move.goal) - scale.toTravel(move.from))
    const lasts = (move.arrival - move.start) / (to - from)
    const parts = {
      name,
      a: valued(lane, move.from),
      b: valued(lane, move.goal),
      bars: amount(move.bars, 'bars'),
      at: at(move.arrival),
      start: at(move.start),
    }
    return conclude(
      { lane, from: move.start, to: move.arrival },
      [
        { name: 'begins', value: at(move.start), wanted: wanted('is', at(from)) },
        { name: 'arrives', value: at(move.arrival), wanted: wanted('is', at(to)) },
        { name: 'how-far', value: amount(far, '%', 0), wanted: wanted('least', amount(least, '%', 0)) },
      ],
      [
        {
          verdict: lasts >= TOO_FAST.close ? 'met' : lasts >= TOO_FAST.leap ? 'close' : 'not yet',
          says: say('check.sweep.sudden', parts),
        },
        {
          verdict: far >= least ? 'met' : far >= least * 0.7 ? 'close' : 'not yet',
          says: say('check.sweep.little', parts),
        },
        {
          verdict: verdictOf((move.start - from) / beat, beats),
          says: say('check.sweep.begins', { ...parts, late: late(evidence, move.start, from) }),
        },
        {
          verdict: verdictOf((move.arrival - to) / beat, beats),
          says: say('check.sweep.arrives', { ...parts, late: late(evidence, move.arrival, to) }),
        },
      ],
      say('check.sweep.met', parts),
    )
  },
})
