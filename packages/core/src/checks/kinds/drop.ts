import { type Finding, at, lateness, moveIn, nameOf, say } from '../../evidence'
import { checkKind, lane, number, place, verdictOf, weakest } from '../check'

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
