import { PEAK_LIMIT } from '../../assess'
import { energies, HOPS, hopsIn, loudnessIn } from '../../heard'
import { raised } from '../../scale'
import { at, nameOf, say, secondsOf } from '../../evidence'
import { drawnLines, isLevel, repaired } from '../lines'
import type { MistakeKind } from '../mistake'

/** The lines make it so much louder there that they are the reason, in LU. */
const ADDS = 0.5

/** Too hot: a lift drives the true peak over the limit. */
export const tooHot: MistakeKind = {
  kind: 'too hot',
  name: 'Too hot',
  needs: 'sound',
  find: (evidence) => {
    const { heard, time, mix, moves } = evidence
    if (!heard) return []
    const lines = new Map(
      drawnLines(evidence)
        .filter((l) => isLevel(l.lane))
        .map((l) => [l.lane, l]),
    )
    return moves.flatMap((move) => {
      const line = lines.get(move.lane)
      if (!line || move.depth <= 0) return []
      // from where it is up to where it comes back, or the next move on its lane
      const next = moves.find((m) => m.lane === move.lane && m.start >= move.end)
      const end = move.leaves > move.arrival ? move.end : (next?.start ?? time.length)
      const stretch = secondsOf(time, move.start, end)
      const [first, last] = hopsIn(stretch, heard.hops)
      let over = -Infinity
      let where = first
      for (let i = first; i < last; i++) {
        if (heard.peaks[i]! <= PEAK_LIMIT || heard.peaks[i]! <= over) continue
        const around = { from: (i - 2) / HOPS, to: (i + 3) / HOPS }
        if (loudnessIn(energies(heard.mix), around) - loudnessIn(energies(heard.still), around) < ADDS)
          continue
        ;[over, where] = [heard.peaks[i]!, i]
      }
      if (over === -Infinity) return []
      const tick = Math.round(time.tempo.tickAt(where / HOPS))
      const name = nameOf(evidence, move.lane)
      const excess = over - PEAK_LIMIT + 0.3
      const { beat } = time.meter.lengthsAt(tick)
      return {
        kind: 'too hot',
        severity: 3 as const,
        place: { lane: move.lane, from: Math.max(0, tick - beat), to: tick + beat },
        sentence: say(
          'Listen for crackle at {at}: {name} goes up so far that the peak is {peak} dBTP. Lower the lift by about {db} dB, or everything else.',
          { name, at: at(evidence, tick), peak: over.toFixed(1), db: Math.ceil(excess) },
        ),
        repair: () => ({
          label: `Lowered ${name} by ${excess.toFixed(1)} dB where it is too hot`,
          mix: repaired(
            mix,
            move.lane,
            line.points.map((p) =>
              p.tick >= move.arrival - 1 && p.tick <= end && p.value > move.from
                ? { ...p, value: raised(line.control.scale, p.value, -excess) }
                : p,
            ),
          ),
        }),
      }
    })
  },
}
