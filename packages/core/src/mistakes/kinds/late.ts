import { cut } from '../../envelope'
import { resolve } from '../../mix'
import { type Evidence, at, nameOf, say, trackName } from '../../evidence'
import type { Move } from '../../moves'
import { drawnLines, repaired } from '../lines'
import type { Mistake, MistakeKind } from '../mistake'

/** Later than this is heard as late, in beats. */
const LATE_BEATS = 0.25
/** An entry belongs to a move that begins at most so many bars after it, or was begun before. */
const NEAR_BARS = 1

/** Early or late: a dip that has not arrived when the other track enters, a lift that starts after its own entry. */
export const late: MistakeKind = {
  kind: 'late',
  name: 'Too late for the entry',
  needs: 'sound',
  find: (evidence) => {
    const { heard, time } = evidence
    if (!heard) return []
    const lines = new Map(drawnLines(evidence).map((l) => [l.lane, l]))
    return evidence.moves.flatMap((move) => {
      const [owner, track, word] = move.lane.split('/')
      if (owner !== 'track' || word !== 'level' || !lines.has(move.lane)) return []
      const { beat, bar } = time.meter.lengthsAt(move.start)
      const down = move.kind === 'dip'
      const up = move.kind === 'lift'
      if (!down && !up) return []
      const reference = down ? move.arrival : move.start
      const entries = Object.entries(heard.entries)
        .filter(([id]) => (down ? id !== track : id === track))
        .flatMap(([id, ticks]) => ticks.map((tick) => ({ id, tick })))
        .filter(
          ({ tick }) =>
            tick > 0 && tick >= move.start - NEAR_BARS * bar && reference - tick > LATE_BEATS * beat,
        )
        .filter(({ tick }) => tick < (down ? move.leaves : move.arrival))
      const entry = entries.sort((a, b) => a.tick - b.tick)[0]
      return entry ? [mistake(evidence, move, entry, down)] : []
    })
  },
}

function mistake(
  evidence: Evidence,
  move: Move,
  entry: { id: string; tick: number },
  down: boolean,
): Mistake {
  const { time, mix } = evidence
  const name = nameOf(evidence, move.lane)
  const { beat } = time.meter.lengthsAt(entry.tick)
  const words = {
    name,
    other: trackName(evidence, entry.id),
    at: at(evidence, entry.tick),
    beats: ((down ? move.arrival : move.start) - entry.tick) / beat,
  }
  const said = { ...words, beats: words.beats.toFixed(1) }
  return {
    kind: 'late',
    severity: 2,
    place: { lane: move.lane, from: Math.max(0, entry.tick - beat), to: move.arrival + beat },
    sentence: down
      ? say(
          'Listen to the first note of {other} at {at}: {name} makes room {beats} beats after it. Be down before it begins.',
          said,
        )
      : say(
          'Listen to the first note of {name} at {at}: the lift begins {beats} beats after it. Start it with the note.',
          said,
        ),
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
      return { label: `Moved ${name} to the entry`, mix: repaired(mix, move.lane, sorted) }
    },
  }
}
