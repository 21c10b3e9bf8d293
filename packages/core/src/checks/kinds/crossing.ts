import { words } from '@rudlo/words'
import { trackLevel } from '../../mix'
import { dbOfGain } from '../../maths'
import { levelGain } from '../../scale'
import { type Finding, amount, at, moveIn, say, span, trackOf, valueOf, wanted, word } from '../../evidence'
import { checkKind, number, place, track, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** Two fades that cross: one leaves while the other comes. */
export const crossing = checkKind({
  kind: 'crossing',
  needs: 'lines',
  fields: {
    leaves: track('leaves'),
    comes: track('comes'),
    from: place('from'),
    to: place('to'),
    hole: number('hole', 'dB', 15, 2, 40),
  },
  impossible: ({ leaves, comes, from, to }) =>
    leaves === comes
      ? words('impossible.two-different-tracks')
      : to <= from
        ? words('impossible.end-lies-before')
        : null,
  judge(evidence, { leaves, comes, from, to, hole }): Finding {
    const [out, into] = [trackLevel(leaves), trackLevel(comes)]
    const names = { a: trackOf(leaves), b: trackOf(comes), bars: span(from, to) }
    const place = { lane: out, from, to }
    const away = moveIn(evidence, out, ['fade out', 'fall', 'drop', 'jump down'], from, to)
    const here = moveIn(evidence, into, ['fade in', 'rise', 'build', 'jump up'], from, to)
    if (!away || !here)
      return found(
        'not yet',
        say(away ? 'check.crossing.comes' : 'check.crossing.leaves', names),
        away ? { ...place, lane: into } : place,
      )
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
    const parts = { ...names, down: amount(down, 'dB', 0), at: at(meet), asked: amount(hole, 'dB', 0) }
    return conclude(
      { lane: out, from: Math.min(away.start, here.start), to: Math.max(away.end, here.end) },
      [
        { name: 'crosses', value: at(meet), wanted: wanted('is', word('middle')) },
        { name: 'each-down', value: amount(down, 'dB', 0), wanted: wanted('most', amount(hole, 'dB', 0)) },
      ],
      [
        {
          verdict: down <= hole ? 'met' : down <= hole * 1.3 ? 'close' : 'not yet',
          says: say('check.crossing.hole', parts),
        },
        { verdict: verdictOf(Math.abs(centre - 0.5), 0.25), says: say('check.crossing.one-sided', parts) },
      ],
      say('check.crossing.met', parts),
    )
  },
})
