import { valueAt } from '../envelope'
import { lineInCharge, resolve, type Address, type Mix, type Send, type TrackMix } from '../mix'
import { levelGain, levelScale, SILENCE_DB } from '../scale'
import type { SongTime } from '../song'
import { HOPS, type Part } from './part'

/** Places of a line that one hop is made of. */
const LOOKS = 16

const isSilent = (mix: Mix, { id, level, on }: Send): boolean =>
  (level <= SILENCE_DB && !lineInCharge(mix, `send/${id}/level`)) ||
  (!on && !lineInCharge(mix, `send/${id}/on`))

/**
 * Whether what a fader does to a track is all that is heard of it: nothing of the track goes on to a return, so that its sound with
 * another line is the same sound at another level.
 */
export const isDry = (mix: Mix, track: TrackMix): boolean => track.sends.every((send) => isSilent(mix, send))

/**
 * What is heard of a dry track with a line on its level, from what is heard of it with its fader held: without playing it again.
 * @param held what is heard with the fader at `loud` dB all through the song
 */
export function withLevelLine(time: SongTime, mix: Mix, lane: Address, held: Part, loud: number): Part {
  const points = lineInCharge(mix, lane)?.points
  const setting = resolve(mix, lane)?.setting ?? 0
  const full = levelGain(loud)
  const power = held.left.map((_, hop) => {
    let sum = 0
    for (let k = 0; k < LOOKS; k++) {
      const tick = time.tempo.tickAt((hop + (k + 0.5) / LOOKS) / HOPS)
      const gain = levelGain(points ? valueAt(points, levelScale, tick) : setting) / full
      sum += gain * gain
    }
    return sum / LOOKS
  })
  return withPower(held, (hop) => power[hop]!)
}

/** The energies of a part that is louder or softer hop by hop, by a factor of them. */
export function withPower({ left, right }: Part, power: (hop: number) => number): Part {
  const scaled = (energy: Float64Array) => energy.map((e, hop) => e * power(hop))
  return { left: scaled(left), right: scaled(right), bright: null, peaks: null }
}
