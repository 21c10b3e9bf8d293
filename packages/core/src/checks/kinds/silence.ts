import { lineInCharge, trackLevel } from '../../mix'
import { type Evidence, type Finding, at, say, trackOf, valued, valueOf, wanted, word } from '../../evidence'
import { checkKind, number, place, track } from '../check'
import { found } from '../conclude'

/** Softer than this is silence to most ears, beside anything else. */
const NEARLY_DB = -60
/** Between two points a line is looked at in so many places. */
const LOOKS = 8

/** Silent by a place. */
export const silence = checkKind({
  kind: 'silence',
  needs: 'lines',
  fields: { track: track(), from: place('by'), level: number('silent', 'dB', -90, -90, -40) },
  judge(evidence, { track, from, level }): Finding {
    const lane = trackLevel(track)
    const { time, mix } = evidence
    let [loudest, where] = [-90, from]
    for (const tick of ticksFrom(evidence, lane, from)) {
      const muted = valueOf(mix, `track/${track}/mute`, tick) >= 0.5
      const now = muted ? -90 : valueOf(mix, lane, tick)
      if (now > loudest) [loudest, where] = [now, tick]
    }
    const parts = { name: trackOf(track), from: at(from), at: at(where), value: valued(lane, loudest) }
    const verdict = loudest <= level ? 'met' : loudest <= Math.max(level, NEARLY_DB) ? 'close' : 'not yet'
    return found(
      verdict,
      say(
        `check.silence.${verdict === 'met' ? (from < time.length ? 'met' : 'met-end') : where > from ? 'again' : 'still'}`,
        parts,
      ),
      { lane, from, to: time.length },
      [{ name: 'loudest-after', value: valued(lane, loudest), wanted: wanted('is', word('silence')) }],
    )
  },
})

/** Places from a tick to the end of the song at which a level line is highest, if it is anywhere: its points, and between them. */
function ticksFrom({ mix, time }: Evidence, lane: string, from: number): number[] {
  const points = lineInCharge(mix, lane)?.points ?? []
  const mutes = lineInCharge(mix, lane.replace(/level$/, 'mute'))?.points ?? []
  const corners = [from, ...[...points, ...mutes].flatMap((p) => [p.tick, p.tick - 1]), time.length - 1]
    .filter((t) => t === from || (t > from && t < time.length))
    .sort((a, b) => a - b)
  return corners.flatMap((tick, i) => {
    const next = corners[i + 1] ?? tick
    return [tick, ...Array.from({ length: LOOKS }, (_, k) => Math.floor(tick + ((next - tick) * k) / LOOKS))]
  })
}
