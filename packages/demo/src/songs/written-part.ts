import { playerNameOf, seedOf } from '@rudlo/core/players'
import type { WrittenPart } from '@rudlo/core/song'
import type { Part } from './score'

/** What is kept of a part: its notes and how they are played. Undefined where no player of the project plays it. */
export function writtenPart({ id, instrument, freedom, peak, notes }: Part): WrittenPart | undefined {
  const player = playerNameOf(instrument)
  if (!player) return undefined
  return {
    player,
    freedom,
    peak,
    seed: seedOf(id, notes.length),
    notes: notes.map((n) => [n.at, n.quarters, n.pitch, n.strength]),
  }
}
