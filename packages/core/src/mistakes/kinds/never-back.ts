import { echoPath, effectiveEcho, effectiveLevel } from '../../effective'
import { point, valueAt } from '../../envelope'
import { type Evidence, at, isAsked, laneOf, say, valued } from '../../evidence'
import type { Move } from '../../moves'
import { drawnLines, isLevel, isSendOrWet, repaired } from '../lines'
import { levelScale } from '../../scale'
import type { MistakeKind } from '../mistake'

/** So many bars are left after it went up: enough to have come back. */
const LEFT_BARS = 4
/** A level that stays up by so many dB, an effect by so much of its travel. */
const LEVEL_DB = 2
const TRAVEL = 0.15
/** A fader that comes from under this, or goes up by more, brings its track in: that is no lift. */
const SOFT_DB = -24
const ENTERS_DB = 12
/** Ways up that are meant to stay. */
const STAYS = [
  'build',
  'jump',
  'position',
  'fade in',
  'loudness',
  'lead over rest',
  'in the mix',
  'sweep',
  'crossing',
]
/** Ways up that are meant to come back. */
const COMES_BACK = ['lift', 'throw', 'returns']

/** Whether a way up should have been followed by a way back. */
function shouldReturn(evidence: Evidence, move: Move): boolean {
  const { song, time } = evidence
  const { lane, start, arrival } = move
  if (isAsked(evidence, lane, start, arrival, COMES_BACK)) return true
  if (isAsked(evidence, lane, start, arrival, STAYS) || move.kind === 'build') return false
  // what goes up for the last part stays up to its end
  const { bar } = time.meter.lengthsAt(arrival)
  return !song.sections.length || song.sections.some((s) => s.tick > arrival + bar)
}

/**
 * Whether nothing is heard to stay raised: of a level that was as high before, or that something else on the way to the ear takes
 * back. An echo has to be shut again, however often it was open.
 */
function nothingStaysUp({ song, start, mix, time }: Evidence, { lane, start: before }: Move): boolean {
  const [kind, id, word] = lane.split('/')
  const last = time.length - 1
  if (kind === 'track' && (word === 'level' || word === 'gain')) {
    const { points } = effectiveLevel(song, start, mix, id!)
    const at = (tick: number) => valueAt(points, levelScale, tick)
    const highest = Math.max(at(0), at(before), ...points.filter((p) => p.tick < before).map((p) => p.value))
    return at(last) - highest < LEVEL_DB
  }
  const path = echoPath(mix, lane)
  if (!path) return false
  const heard = effectiveEcho(song, start, mix, path)
  const at = (tick: number) => valueAt(heard.points, levelScale, tick)
  return heard.by.length > 0 && at(last) - at(before) < LEVEL_DB
}

/** It never comes back: a lift, send or effect stays on to the end. */
export const neverBack: MistakeKind = {
  kind: 'never back',
  needs: 'lines',
  find: (evidence) => {
    const { time, mix, moves, song } = evidence
    // in order of time, so that the last move of a lane is what stays
    const lastMoves = new Map(moves.map((m) => [m.lane, m]))
    return drawnLines(evidence).flatMap(({ lane, points, control: { scale } }) => {
      const last = lastMoves.get(lane)
      if (!last || last.depth <= 0 || last.end !== last.arrival) return []
      const up = scale.toTravel(last.to) - scale.toTravel(last.from)
      const stays = isSendOrWet(lane)
        ? up > TRAVEL
        : isLevel(lane) && last.from > SOFT_DB && last.depth > LEVEL_DB && last.depth < ENTERS_DB
      if (
        !stays ||
        !shouldReturn(evidence, last) ||
        nothingStaysUp(evidence, last) ||
        time.meter.barsBetween(last.arrival, time.length) < LEFT_BARS
      )
        return []
      const name = laneOf(lane)
      return {
        kind: 'never back',
        severity: 2 as const,
        place: { lane, from: last.start, to: time.length },
        says: say('mistake.never-back.says', { name, at: at(last.arrival), value: valued(lane, last.to) }),
        repair: () => {
          const { bar, beat } = time.meter.lengthsAt(last.arrival)
          const section = song.sections.find((s) => s.tick >= last.arrival + bar)?.tick
          const back = Math.min(section ?? Infinity, last.arrival + 4 * bar, time.length - 1)
          const line = points.filter((p) => p.tick < back - beat)
          return {
            label: say('mistake.never-back.repair', { name }),
            mix: repaired(mix, lane, [
              ...line,
              point(Math.round(back - beat), last.to),
              point(Math.round(back), last.from),
            ]),
          }
        },
      }
    })
  },
}
