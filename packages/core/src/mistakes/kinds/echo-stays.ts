import { echoPath, effectiveEcho } from '../../effective'
import { travelAt, valueAt } from '../../envelope'
import { lineInCharge, resolve, trackLevel } from '../../mix'
import { levelScale } from '../../scale'
import { type Evidence, at, say, trackOf, valueOf } from '../../evidence'
import { drawnLines, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** A send that is open further than this feeds what can be heard, in dB. */
const FEEDS_DB = -50

/** A mute comes before every send: what it silences feeds nothing. */
const isMuted = ({ mix }: Evidence, track: string, tick: number) =>
  valueOf(mix, `track/${track}/mute`, tick) >= 0.5

/** Faded, but its echo stays: a pre-fader send still feeds after the track has gone. */
export const echoStays: MistakeKind = {
  kind: 'echo stays',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, time, moves, song } = evidence
    const drawn = new Map(drawnLines(evidence).map((l) => [l.lane, l]))
    return mix.tracks.flatMap((track) => {
      const lane = trackLevel(track.id)
      const line = drawn.get(lane)
      const gone = moves.filter((m) => m.lane === lane).at(-1)
      if (!line || !gone || !['fade out', 'drop', 'jump down'].includes(gone.kind) || gone.to > -60) return []
      const { bar } = time.meter.lengthsAt(gone.end)
      const plays = song.regions.some((r) => r.track === track.id) || track.regions.length > 0
      return track.sends.flatMap((send) => {
        const lane = `send/${send.id}/level`
        const found = resolve(mix, lane)
        const after = Math.min(time.length - 1, gone.end + 1)
        const path = echoPath(mix, lane)
        const echo = path && effectiveEcho(song, start, mix, path).points
        const feeds = (tick: number) => echo !== null && valueAt(echo, levelScale, tick) > FEEDS_DB
        const open =
          feeds(after) && feeds(Math.min(time.length - 1, after + bar)) && !isMuted(evidence, track.id, after)
        if (send.tap !== 'pre' || !open || !found || !plays) return []
        const name = trackOf(track.id)
        return {
          kind: 'echo stays',
          severity: 2 as const,
          place: { lane, from: gone.start, to: time.length },
          says: say('mistake.echo-stays.says', { name, at: at(gone.end) }),
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
              label: say('mistake.echo-stays.repair', { name }),
              mix: repaired(mix, lane, [...from.filter((p) => p.tick < gone.start), ...fade]),
            }
          },
        }
      })
    })
  },
}
