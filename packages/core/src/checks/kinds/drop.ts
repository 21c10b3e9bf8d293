import { type Finding, amount, at, laneOf, late, moveIn, passes, say, wanted } from '../../evidence'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** So many dB down something is gone for most ears: how a hand gets down from there is not heard. */
const GONE_DB = 20

/** A drop: down within a beat where a section begins. */
export const drop = checkKind({
  kind: 'drop',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('at'),
    depth: number('by-at-least', 'dB', 6, 1, 60),
    beats: number('off-place', 'beats', 0.5, 0.125, 4),
  },
  judge(evidence, { lane, from, depth, beats }): Finding {
    const name = laneOf(lane)
    const { beat } = evidence.time.meter.lengthsAt(from)
    const kinds = ['drop', 'jump down', 'dip', 'fall', 'fade out'] as const
    const move = moveIn(evidence, lane, kinds, from - beat, from + beat)
    if (!move)
      return found('not yet', say('check.drop.none', { name, at: at(from) }), {
        lane,
        from: from - beat,
        to: from + beat,
      })
    // for the ear it has dropped there, whatever a hand still does below
    const down = passes(evidence, move, move.from - depth)
    const size = -move.depth
    const most = passes(evidence, move, move.from - Math.max(depth, Math.min(size, GONE_DB)))
    const lasts = (most - move.start) / beat
    const parts = {
      name,
      depth: amount(size, 'dB'),
      asked: amount(depth, 'dB'),
      at: at(down),
      beats: amount(lasts, 'beats'),
    }
    return conclude(
      { lane, from: move.start, to: move.end },
      [
        { name: 'falls', value: amount(size, 'dB'), wanted: wanted('least', amount(depth, 'dB')) },
        { name: 'takes', value: amount(lasts, 'beats'), wanted: wanted('most', amount(1, 'beats')) },
      ],
      [
        {
          verdict: verdictOf((down - from) / beat, beats),
          says: say('check.drop.place', { ...parts, late: late(evidence, down, from) }),
        },
        {
          verdict: lasts <= 1.05 ? 'met' : lasts <= 2 ? 'close' : 'not yet',
          says: say('check.drop.slow', parts),
        },
        {
          verdict: size >= depth ? 'met' : size >= depth * 0.6 ? 'close' : 'not yet',
          says: say('check.drop.little', parts),
        },
      ],
      say('check.drop.met', parts),
    )
  },
})
