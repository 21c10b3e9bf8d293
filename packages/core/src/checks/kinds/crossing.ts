import { words } from '@rudlo/words'
import { trackLevel, type Address, type Mix } from '../../mix'
import { dbOfGain } from '../../maths'
import { levelGain } from '../../scale'
import { type Finding, amount, at, moveIn, say, span, trackOf, valueOf, wanted, word } from '../../evidence'
import { checkKind, number, place, track, verdictOf } from '../check'
import { conclude, found } from '../conclude'

/** Places at which both lines are looked at. */
const LOOKS = 200

/** Where two lines cross, and how deep the hole between them is, in dB: their powers added, beside one of them alone. */
export function crossed(
  mix: Mix,
  [out, loud]: readonly [lane: Address, level: number],
  [into, goal]: readonly [lane: Address, level: number],
  { from, to }: { readonly from: number; readonly to: number },
): { readonly meet: number; readonly deep: number; readonly deepest: number } {
  const share = (lane: Address, level: number, tick: number) =>
    levelGain(valueOf(mix, lane, tick)) / levelGain(level)
  let [meet, nearest] = [from, Infinity]
  let [deepest, softest] = [from, Infinity]
  for (let k = 0; k <= LOOKS; k++) {
    const tick = from + ((to - from) * k) / LOOKS
    const [a, b] = [share(out, loud, tick), share(into, goal, tick)]
    if (Math.abs(a - b) < nearest) [nearest, meet] = [Math.abs(a - b), tick]
    const power = a * a + b * b
    if (power < softest) [softest, deepest] = [power, tick]
  }
  return { meet, deepest, deep: Math.max(0, -dbOfGain(Math.sqrt(Math.max(1e-10, softest)))) }
}

/**
 * Two fades that cross: one leaves while the other comes. Both together must not get softer than one alone: their powers are added
 * as those of sounds that know nothing of each other.
 */
export const crossing = checkKind({
  kind: 'crossing',
  needs: 'lines',
  fields: {
    leaves: track('leaves'),
    comes: track('comes'),
    from: place('from'),
    to: place('to'),
    hole: number('hole', 'dB', 4, 1, 40),
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
    const stretch = { from: Math.min(away.start, here.start), to: Math.max(away.end, here.end) }
    const { meet, deep, deepest } = crossed(evidence.mix, [out, away.from], [into, here.to], stretch)
    const centre = (meet - from) / (to - from)
    const parts = { ...names, down: amount(deep, 'dB', 0), at: at(deepest), asked: amount(hole, 'dB', 0) }
    const met = { ...parts, at: at(meet) }
    return conclude(
      { lane: out, from: Math.min(away.start, here.start), to: Math.max(away.end, here.end) },
      [
        { name: 'crosses', value: at(meet), wanted: wanted('is', word('middle')) },
        { name: 'hole', value: amount(deep, 'dB', 0), wanted: wanted('most', amount(hole, 'dB', 0)) },
      ],
      [
        {
          verdict: deep <= hole ? 'met' : deep <= hole * 1.5 ? 'close' : 'not yet',
          says: say('check.crossing.hole', parts),
        },
        { verdict: verdictOf(Math.abs(centre - 0.5), 0.25), says: say('check.crossing.one-sided', met) },
      ],
      say('check.crossing.met', met),
    )
  },
})
