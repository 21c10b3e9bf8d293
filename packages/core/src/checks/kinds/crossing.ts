import { trackLevel } from '../../mix'
import { dbOfGain } from '../../maths'
import { levelGain } from '../../scale'
import { type Finding, at, moveIn, say, trackName, valueOf } from '../../evidence'
import { checkKind, number, place, track, verdictOf, weakest } from '../check'

/** Two fades that cross: one leaves while the other comes. */
export const crossing = checkKind({
  kind: 'crossing',
  name: 'Crossing fades',
  about:
    'One track leaves while another comes in: they cross halfway, and neither is gone before the other is there.',
  needs: 'lines',
  fields: {
    leaves: track('Leaves'),
    comes: track('Comes'),
    from: place('From'),
    to: place('To'),
    hole: number('In the middle each is down by at most', 'dB', 15, 2, 40),
  },
  impossible: ({ leaves, comes, from, to }) =>
    leaves === comes
      ? 'Two different tracks have to cross.'
      : to <= from
        ? 'The end lies before the beginning.'
        : null,
  judge(evidence, { leaves, comes, from, to, hole }): Finding {
    const [out, into] = [trackLevel(leaves), trackLevel(comes)]
    const words = {
      a: trackName(evidence, leaves),
      b: trackName(evidence, comes),
      from: at(evidence, from),
      to: at(evidence, to),
    }
    const place = { lane: out, from, to }
    const away = moveIn(evidence, out, ['fade out', 'fall', 'drop', 'jump down'], from, to)
    const here = moveIn(evidence, into, ['fade in', 'rise', 'build', 'jump up'], from, to)
    if (!away || !here)
      return {
        verdict: 'not yet',
        sentence: say(
          away
            ? '{b} does not come in between {from} and {to}.'
            : '{a} does not leave between {from} and {to}.',
          words,
        ),
        place: away ? { ...place, lane: into } : place,
        figures: [],
      }
    // where both are equally far from their loud ends
    const share = (lane: string, loud: number, tick: number) =>
      levelGain(valueOf(evidence.mix, lane, tick)) / levelGain(loud)
    let meet = from
    let nearest = Infinity
    for (let k = 0; k <= 200; k++) {
      const tick = from + ((to - from) * k) / 200
      const apart = Math.abs(share(out, away.from, tick) - share(into, here.to, tick))
      if (apart < nearest) [nearest, meet] = [apart, tick]
    }
    const down = -dbOfGain(Math.max(1e-5, share(out, away.from, meet)))
    const centre = (meet - from) / (to - from)
    const deep = verdictOf(Math.max(0, down - hole), hole * 0.3)
    const middle = verdictOf(Math.abs(centre - 0.5), 0.25)
    const found = { ...words, down: down.toFixed(0), at: at(evidence, meet) }
    return {
      verdict: weakest(down <= hole ? 'met' : deep === 'met' ? 'close' : deep, middle),
      sentence: say(
        down > hole
          ? 'Where {a} and {b} cross, at {at}, both are down by {down} dB: a hole opens between them.'
          : middle !== 'met'
            ? '{a} and {b} cross at {at}: one is nearly through before the other begins.'
            : '{a} leaves while {b} comes; they cross at {at}, each {down} dB down.',
        found,
      ),
      place: { lane: out, from: Math.min(away.start, here.start), to: Math.max(away.end, here.end) },
      figures: [
        { name: 'they cross at', value: found.at, wanted: 'about the middle' },
        { name: 'each is down by', value: `${found.down} dB`, wanted: `at most ${hole} dB` },
      ],
    }
  },
})
