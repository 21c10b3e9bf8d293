import { placeText } from '../../assess'
import { type Finding, at, lateness, moveIn, nameOf, say, valueOf, valueText } from '../../evidence'
import { numberText } from '../../scale'
import { checkKind, lane, number, place, verdictOf, weakest } from '../check'

export const SAY = {
  none: '{name} does not go {way} between {from} and {to}: it stays at {value}.',
  cut: '{name} jumps {way} at {start}: a short fade there sounds like a hand, not like a switch.',
  stays: '{name} goes {way} at {start}, but it never comes back.',
  late: '{name} goes {way} by {depth} dB and is there at {tick}, {late}.',
  depth: '{name} goes {way} by {depth} dB, in time; {more}.',
  back: '{name} goes {way} by {depth} dB in time, but is back at {tick}, {late}.',
  met: '{name} goes {way} by {depth} dB, is there by {tick} and comes back at {back}.',
} as const

export function aside(kind: 'dip' | 'lift') {
  const way = kind === 'dip' ? 'down' : 'up'
  return checkKind({
    kind,
    name: kind === 'dip' ? 'Dip' : 'Lift',
    about: `It goes ${way} by some dB, is there in time, and comes back when it should.`,
    needs: 'lines',
    fields: {
      lane: lane(),
      from: place('Is there by'),
      to: place('Comes back from'),
      depth: number('By', 'dB', 6, 0.5, 60),
      tolerance: number('Give or take', 'dB', 2.5, 0.25, 30),
      beats: number('Tolerance of its place', 'beats', 1, 0.25, 8),
    },
    impossible: ({ from, to, depth, tolerance }) =>
      to <= from
        ? 'It must come back after it is there.'
        : tolerance >= depth
          ? 'With this tolerance doing nothing would be right: make it smaller than the depth.'
          : null,
    judge(evidence, { lane, from, to, depth, tolerance, beats }): Finding {
      const name = nameOf(evidence, lane)
      const { beat, bar } = evidence.time.meter.lengthsAt(from)
      const found = moveIn(evidence, lane, [kind], from - bar, to + bar)
      const wanted = `${numberText(depth, 1)} ± ${numberText(tolerance, 1)} dB`
      if (!found) {
        const gone = moveIn(
          evidence,
          lane,
          kind === 'dip'
            ? ['fall', 'drop', 'jump down', 'fade out']
            : ['rise', 'build', 'jump up', 'fade in'],
          from - bar,
          to,
        )
        const words = {
          name,
          way,
          from: at(evidence, from),
          to: at(evidence, to),
          value: valueText(evidence, lane, valueOf(evidence.mix, lane, from)),
          start: gone ? at(evidence, gone.start) : '',
        }
        return {
          verdict: 'not yet',
          sentence: say(gone ? SAY.stays : SAY.none, words),
          place: gone ? { lane, from: gone.start, to } : { lane, from, to },
          figures: [
            {
              name: `goes ${way} by`,
              value: gone ? `${numberText(Math.abs(gone.depth), 1)} dB` : '0 dB',
              wanted,
            },
          ],
        }
      }
      const size = Math.abs(found.depth)
      const deep = verdictOf(size - depth, tolerance)
      // early is no fault of a dip as long as it is not a bar too early
      const off = (found.arrival - from) / beat
      const there = verdictOf(off > 0 ? off : Math.max(0, -off - bar / beat / 2), beats)
      const backAgain = verdictOf((found.leaves - to) / beat, Math.max(beats, bar / beat / 2))
      const sudden = found.arrival - found.start < 60 ? 'close' : 'met'
      const words = {
        name,
        way,
        depth: numberText(size, 1),
        start: placeText(evidence.time, found.start),
        tick: at(
          evidence,
          there !== 'met' ? found.arrival : backAgain !== 'met' ? found.leaves : found.arrival,
        ),
        late:
          there !== 'met' ? lateness(evidence, found.arrival, from) : lateness(evidence, found.leaves, to),
        more: size < depth ? 'it could be more' : 'it could be less',
        back: at(evidence, found.leaves),
      }
      const template =
        there !== 'met'
          ? SAY.late
          : deep !== 'met'
            ? SAY.depth
            : backAgain !== 'met'
              ? SAY.back
              : sudden !== 'met'
                ? SAY.cut
                : SAY.met
      return {
        verdict: weakest(deep, there, backAgain, sudden),
        sentence: say(template, words),
        place: { lane, from: found.start, to: found.end },
        figures: [
          { name: `goes ${way} by`, value: `${numberText(size, 1)} dB`, wanted },
          { name: 'is there', value: at(evidence, found.arrival), wanted: at(evidence, from) },
          { name: 'starts back', value: at(evidence, found.leaves), wanted: at(evidence, to) },
        ],
      }
    },
  })
}
