import { type CheckPlace, type Evidence, at, laneOf, say, word } from '../../evidence'
import { lineInCharge, resolve, withLane } from '../../mix'
import type { Move } from '../../moves'
import { drawnLines } from '../lines'
import type { MistakeKind } from '../mistake'

/** A fall of so much of the travel, over at most so many bars, cuts what still rings. */
const FALL = 0.35
const FAST_BARS = 1.05
/** A send that was closed so many bars before has rung out for the most part. */
const RUNG_OUT_BARS = 2

/** A tail that is cut: where, and of which returns. */
export interface CutTail {
  readonly place: CheckPlace
  readonly lane: string
  readonly returns: readonly string[]
}

const RINGS = ['delay', 'reverb']

/** The return whose tail a lane can cut: its own volume, or the wet of an effect on it that rings. */
function returnOf({ mix }: Evidence, lane: string): string | null {
  const [kind, id, word] = lane.split('/')
  if (kind === 'return' && (word === 'level' || word === 'mute')) return id!
  if (kind !== 'effect' || word !== 'wet') return null
  const owner = [...mix.returns, ...mix.tracks].find((o) =>
    o.effects.some((e) => e.id === id && RINGS.includes(e.kind)),
  )
  return owner?.id ?? null
}

/** Whether everything that feeds a return was closed in good time before a move. */
function closedBefore(evidence: Evidence, owner: string, move: Move): boolean {
  const { mix, time } = evidence
  const sends = [...mix.tracks, ...mix.returns].flatMap((o) => o.sends).filter((s) => s.to === owner)
  return (
    sends.length > 0 &&
    sends.every((send) => {
      const line = lineInCharge(mix, `send/${send.id}/level`)
      if (!line) return send.level <= -90 || !send.on
      const last = line.points.findLast((p) => p.tick <= move.start)
      return (
        last !== undefined &&
        last.value <= -60 &&
        time.meter.barsBetween(last.tick, move.start) >= RUNG_OUT_BARS
      )
    })
  )
}

/** Every tail that is cut by pulling down a return or a wet, instead of the send. */
export function cutTails(evidence: Evidence): CutTail[] {
  const drawn = new Set(drawnLines(evidence).map((l) => l.lane))
  return evidence.moves.flatMap((move) => {
    const owner = drawn.has(move.lane) ? returnOf(evidence, move.lane) : null
    const scale = resolve(evidence.mix, move.lane)?.control.scale
    if (!owner || !scale) return []
    // a throw or lift cuts on its way back
    const back = move.leaves > move.arrival
    const mute = move.lane.endsWith('/mute')
    // a mute cuts where it goes on, which may be the way there of something that comes back
    const there = !back || mute
    const [from, to, start] = there ? [move.from, move.goal, move.start] : [move.goal, move.to, move.leaves]
    const falls = (mute ? -1 : 1) * (scale.toTravel(from) - scale.toTravel(to))
    if (falls < FALL || evidence.time.meter.barsBetween(start, move.end) > FAST_BARS) return []
    if (closedBefore(evidence, owner, { ...move, start })) return []
    return [
      {
        lane: move.lane,
        returns: [owner],
        place: { lane: move.lane, from: start, to: Math.max(move.end, start + 960) },
      },
    ]
  })
}

/** The tail is cut: the return or an effect's wet was pulled down instead of the send. */
export const tailCut: MistakeKind = {
  kind: 'tail cut',
  needs: 'lines',
  find: (evidence) =>
    cutTails(evidence).map(({ lane, place }) => {
      const name = laneOf(lane)
      return {
        kind: 'tail cut',
        severity: 2 as const,
        place,
        says: say('mistake.tail-cut.says', {
          name,
          at: at(place.from),
          how: word(lane.endsWith('/mute') ? 'how.muted' : 'how.pulled-down'),
        }),
        repair: () => ({
          label: say('mistake.tail-cut.repair', { name }),
          mix: withLane(evidence.mix, lane, { on: false }),
        }),
      }
    }),
}
