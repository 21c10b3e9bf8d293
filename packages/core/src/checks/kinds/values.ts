import { resolve, trackLevel } from '../../mix'
import { checkKind, lane, number, place, track, verdictOf, type Finding } from '../check'
import { valueOf, type Evidence } from '../evidence'
import { at, nameOf, say, trackName, valueText } from '../say'

/** A typed value of a lane: dB, −100…100 for a pan, % for shares, Hz for frequencies. */
function inUnit({ mix, start }: Evidence, lane: string, value: number): number {
  const control = (resolve(mix, lane) ?? resolve(start, lane))?.control
  const word = lane.split('/').at(-1)
  if (word === 'pan') return value * 100
  if (control && control.scale.kind === 'linear' && control.scale.max <= 1) return value * 100
  return value
}

/** A value at one place. */
export const position = checkKind({
  kind: 'position',
  name: 'Value at a place',
  about: 'A pan, level, wet or frequency is at some value at one place.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('At'),
    value: number('Value', 'dB; −100 to 100 for a pan; %; Hz', 0, -100, 20_000),
    tolerance: number('Give or take', 'of the same', 3, 0, 5000),
  },
  judge(evidence, { lane, from, value, tolerance }): Finding {
    const now = valueOf(evidence.mix, lane, from)
    const shown = inUnit(evidence, lane, now)
    const words = {
      name: nameOf(evidence, lane),
      at: at(evidence, from),
      value: valueText(evidence, lane, now),
    }
    const verdict = verdictOf(shown - value, tolerance)
    return {
      verdict,
      sentence: say(
        verdict === 'met'
          ? 'At {at} {name} is at {value}.'
          : shown < value
            ? 'At {at} {name} is at {value}: further up is asked.'
            : 'At {at} {name} is at {value}: further down is asked.',
        words,
      ),
      place: { lane, from, to: from + evidence.time.meter.lengthsAt(from).beat },
      figures: [{ name: 'at the place', value: words.value, wanted: `${value} ± ${tolerance}` }],
    }
  },
})

/** Back at a value that it had before. */
export const returns = checkKind({
  kind: 'returns',
  name: 'Returns to',
  about: 'At a place it is back where it was at another.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('As it was at'),
    to: place('Back at'),
    tolerance: number('Give or take', '% of the way', 3, 0.5, 30),
  },
  judge(evidence, { lane, from, to, tolerance }): Finding {
    const scale = resolve(evidence.mix, lane)?.control.scale
    const [then, now] = [from, to].map((tick) => valueOf(evidence.mix, lane, tick)) as [number, number]
    const apart = scale ? 100 * (scale.toTravel(now) - scale.toTravel(then)) : Infinity
    const verdict = verdictOf(apart, tolerance)
    const words = {
      name: nameOf(evidence, lane),
      to: at(evidence, to),
      now: valueText(evidence, lane, now),
      then: valueText(evidence, lane, then),
      from: at(evidence, from),
    }
    return {
      verdict,
      sentence: say(
        verdict === 'met'
          ? '{name} is back at {now} at {to}.'
          : '{name} is still at {now} at {to}; it was at {then} at {from}.',
        words,
      ),
      place: { lane, from, to },
      figures: [{ name: 'at the end', value: words.now, wanted: words.then }],
    }
  },
})

/** Silent by a place. */
export const silence = checkKind({
  kind: 'silence',
  name: 'Silence by',
  about: 'A track is silent by a place and stays so.',
  needs: 'lines',
  fields: { track: track(), from: place('By'), level: number('Silent means at most', 'dB', -90, -90, -40) },
  judge(evidence, { track, from, level }): Finding {
    const lane = trackLevel(track)
    const { time, mix } = evidence
    const LOOKS = 60
    let loudest = -90
    for (let k = 0; k <= LOOKS; k++) {
      const tick = from + ((time.length - from) * k) / LOOKS
      const muted = valueOf(mix, `track/${track}/mute`, tick) >= 0.5
      if (!muted) loudest = Math.max(loudest, valueOf(mix, lane, tick))
    }
    const words = {
      name: trackName(evidence, track),
      at: at(evidence, from),
      value: valueText(evidence, lane, loudest),
    }
    return {
      verdict: loudest <= level ? 'met' : loudest <= Math.max(level, -60) ? 'close' : 'not yet',
      sentence: say(
        loudest <= level
          ? '{name} is silent from {at} on.'
          : '{name} is not silent after {at}: it is still at {value}.',
        words,
      ),
      place: { lane, from, to: time.length },
      figures: [{ name: 'loudest after it', value: words.value, wanted: 'silence' }],
    }
  },
})
