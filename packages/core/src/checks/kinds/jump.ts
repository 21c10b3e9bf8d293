import { type Finding, at, lateness, nameOf, say } from '../../evidence'
import { checkKind, choice, lane, number, place, verdictOf } from '../check'

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
