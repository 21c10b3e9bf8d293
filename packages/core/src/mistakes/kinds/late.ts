import { cut } from '../../envelope'
import { hopsIn, sounding } from '../../heard'
import { resolve, trackLevel } from '../../mix'
import { type Evidence, amount, at, laneOf, say, trackOf } from '../../evidence'
import type { Move } from '../../moves'
import { drawnLines, repaired } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'

/** Later than this is heard as late, in beats. */
const LATE_BEATS = 0.25
/** What comes in so many bars before is long there. */
const FAR_BARS = 4
/** Whoever comes in is heard within so many seconds. */
const SOUNDS_SECONDS = 1
/** An entry belongs to a move that begins at most so many bars after it, or was begun before. */
const NEAR_BARS = 1

/** Early or late: a dip that has not arrived when the other track enters, a lift that starts after its own entry. */
export const late: MistakeKind = {
  kind: 'late',
  needs: 'sound',
  find: (evidence) => {
    const { heard, time } = evidence
    if (!heard) return []
    const lines = new Map(drawnLines(evidence).map((l) => [l.lane, l]))
    return evidence.moves.flatMap((move) => {
      const [owner, track = '', word = ''] = move.lane.split('/')
      if (owner !== 'track' || !['level', 'gain'].includes(word) || !lines.has(move.lane)) return []
      const down = move.kind === 'dip'
      if ((!down && move.kind !== 'lift') || inTime(evidence, move, track)) return []
      const { beat, bar } = time.meter.lengthsAt(move.start)
      const reference = down ? move.arrival : move.start
      const until = down ? move.leaves : move.arrival
      const entry = Object.entries(heard.entries)
        .filter(([id]) => (down ? id !== track && leads(evidence, id, track) : id === track))
        .flatMap(([id, ticks]) => ticks.map((tick) => ({ id, tick })))
        .filter(
          ({ id, tick }) =>
            tick > 0 &&
            tick >= move.start - NEAR_BARS * bar &&
            tick < until &&
            reference - tick > LATE_BEATS * beat &&
            reference - tick <= FAR_BARS * bar &&
            sounds(evidence, id, tick),
        )
        .sort((a, b) => a.tick - b.tick)[0]
      return entry ? [mistake(evidence, move, entry, down)] : []
    })
  },
}

/** Whether the brief asks for the move, and it is there when that says. */
function inTime({ asked, time }: Evidence, { kind, arrival }: Move, track: string): boolean {
  const { beat } = time.meter.lengthsAt(arrival)
  return asked.some(
    (a) =>
      a.kind === kind &&
      a.lanes.includes(trackLevel(track)) &&
      arrival - a.from <= LATE_BEATS * beat &&
      a.from - arrival <= 4 * beat,
  )
}

/** Whether room is made for a track: for a lead or voice where the song has one that is not the track itself. */
function leads({ song }: Evidence, id: string, track: string): boolean {
  const roles = song.tracks.filter((t) => t.id !== track && (t.role === 'lead' || t.role === 'voice'))
  return roles.length === 0 || roles.some((t) => t.id === id)
}

/** Whether a track is heard when it comes in: one that is muted, or turned down, makes nobody late. */
function sounds({ heard, time }: Evidence, id: string, tick: number): boolean {
  const part = heard?.tracks[id]
  if (!part) return true
  const at = time.tempo.secondsAt(tick)
  const [first, last] = hopsIn({ from: at, to: at + SOUNDS_SECONDS }, part.left.length)
  return sounding(part).slice(first, last).some(Boolean)
}

function mistake(
  evidence: Evidence,
  move: Move,
  entry: { id: string; tick: number },
  down: boolean,
): Mistake {
  const { time, mix } = evidence
  const name = laneOf(move.lane)
  const { beat } = time.meter.lengthsAt(entry.tick)
  const parts = {
    name,
    other: trackOf(entry.id),
    at: at(entry.tick),
    beats: amount(((down ? move.arrival : move.start) - entry.tick) / beat, 'beats'),
  }
  return {
    kind: 'late',
    severity: 2,
    place: { lane: move.lane, from: Math.max(0, entry.tick - beat), to: move.arrival + beat },
    says: down ? say('mistake.late-dip.says', parts) : say('mistake.late-lift.says', parts),
    repair: () => {
      const shift = Math.ceil((down ? move.arrival : move.start) - entry.tick + (down ? beat / 8 : 0))
      const { points } = mix.envelopes.find((e) => e.address === move.lane)!
      const { scale } = resolve(mix, move.lane)!.control
      const way = cut(cut(points, scale, move.start), scale, move.arrival)
      const moved = way
        .filter((p) => p.tick >= move.start && p.tick <= move.arrival && p.tick >= shift)
        .map((p) => ({ ...p, tick: p.tick - shift }))
      const before = way.filter((p) => p.tick < (moved[0]?.tick ?? move.start))
      const sorted = [...before, ...moved, ...way.filter((p) => p.tick > move.arrival)]
      return { label: say('mistake.late.repair', { name }), mix: repaired(mix, move.lane, sorted) }
    },
  }
}
