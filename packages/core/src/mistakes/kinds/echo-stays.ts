import { travelAt } from '../../envelope'
import { lineInCharge, resolve, trackLevel } from '../../mix'
import { levelScale } from '../../scale'
import { at, say, trackName, valueOf } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A send that is open further than this feeds what can be heard, in dB. */
const FEEDS_DB = -50

/** Faded, but its echo stays: a pre-fader send still feeds after the track has gone. */
export const echoStays: MistakeKind = {
  kind: 'echo stays',
  name: 'Its echo stays',
  needs: 'lines',
  find: (evidence) => {
    const { mix, time, moves, song } = evidence
    const drawn = new Map(drawnLines(evidence).map((l) => [l.lane, l]))
    return mix.tracks.flatMap((track) => {
      const lane = trackLevel(track.id)
      const line = drawn.get(lane)
      const gone = moves.filter((m) => m.lane === lane).at(-1)
      if (!line || !gone || gone.kind !== 'fade out' || gone.to > -60) return []
      const plays = song.regions.some((r) => r.track === track.id) || track.regions.length > 0
      return track.sends.flatMap((send) => {
        const lane = `send/${send.id}/level`
        const found = resolve(mix, lane)
        const after = Math.min(time.length - 1, gone.end + 1)
        const open =
          send.on && valueOf(mix, lane, after) > FEEDS_DB && valueOf(mix, lane, time.length - 1) > FEEDS_DB
        if (send.tap !== 'pre' || !open || !found || !plays) return []
        const name = trackName(evidence, track.id)
        return {
          kind: 'echo stays',
          severity: 2 as const,
          place: { lane, from: gone.start, to: time.length },
          sentence: say(
            'Listen after {at}: {name} has gone, but its echo still plays. Its send is taken before the fader; fade the send as well, or take it after the fader.',
            { name, at: at(evidence, gone.end) },
          ),
          repair: () => {
            const from = lineInCharge(mix, lane)?.points ?? []
            const value = valueOf(mix, lane, gone.start)
            const share =
              levelScale.toTravel(value) / Math.max(0.01, travelAt(line.points, levelScale, gone.start))
            const fade = line.points
              .filter((p) => p.tick >= gone.start)
              .map((p) => ({
                ...p,
                value: levelScale.toValue(Math.min(1, levelScale.toTravel(p.value) * share)),
              }))
            return {
              label: `Faded the send of ${name} too`,
              mix: repaired(mix, lane, [...from.filter((p) => p.tick < gone.start), ...fade]),
            }
          },
        }
      })
    })
  },
}
