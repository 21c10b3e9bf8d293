import { type Finding, at, say, trackName, valueOf, valueText } from '../../evidence'
import { trackLevel } from '../../mix'
import { checkKind, number, place, track } from '../check'

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
