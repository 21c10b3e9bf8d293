import { type Finding, amount, at, laneOf, late, moveIn, say, wanted } from '../../evidence'
import { checkKind, lane, number, place, verdictOf } from '../check'
import { conclude, found } from '../conclude'

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
    const lasts = (move.arrival - move.start) / beat
    const size = -move.depth
    const parts = {
      name,
      depth: amount(size, 'dB'),
      asked: amount(depth, 'dB'),
      at: at(move.arrival),
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
          verdict: verdictOf((move.arrival - from) / beat, beats),
          says: say('check.drop.place', { ...parts, late: late(evidence, move.arrival, from) }),
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
