/** A second way to hear a mix, that shares nothing with the engine: two steady recordings, and every fader a number that multiplies. */
import { valueAt } from '../../../src/envelope'
import type { Heard, Part } from '../../../src/heard'
import { resolve, type Mix } from '../../../src/mix'
import { start } from '../../drawn/mistakes'

const HOPS = 640
const TICKS_A_HOP = 192

/** How loud the recording of a track is, in LUFS, at a tick. */
export type Loud = (tick: number) => number

/** Value of a control at a tick, by its line if there is one. */
function value(mix: Mix, address: string, tick: number, lines: boolean): number {
  const found = resolve(mix, address)
  if (!found) return 0
  const line = lines ? mix.envelopes.find((e) => e.address === address && e.on && e.points.length) : undefined
  return line ? valueAt(line.points, found.control.scale, tick) : found.setting
}

/** What is heard of a mix whose tracks are so loud. @param loud LUFS of each recording at 0 dB */
export function listen(mix: Mix, loud: Readonly<Record<string, Loud>>): Heard {
  const hear = (track: string, lines: boolean): Part => {
    const [left, right] = [new Float64Array(HOPS), new Float64Array(HOPS)]
    for (let hop = 0; hop < HOPS; hop++) {
      const tick = (hop + 0.5) * TICKS_A_HOP
      const at = (address: string) => value(mix, address, tick, lines)
      const muted = at(`track/${track}/mute`) >= 0.5
      const db =
        loud[track]!(tick) + at(`track/${track}/gain`) + at(`track/${track}/level`) + at('main/level')
      const energy = muted ? 0 : 10 ** ((db + 0.691) / 10)
      const pan = at(`track/${track}/pan`)
      left[hop] = (energy * (1 - pan)) / 2
      right[hop] = (energy * (1 + pan)) / 2
    }
    return { left, right, bright: null, peaks: null }
  }
  const sum = (parts: readonly Part[]): Part => ({
    left: parts.reduce((all, p) => all.map((e, i) => e + p.left[i]!), new Float64Array(HOPS)),
    right: parts.reduce((all, p) => all.map((e, i) => e + p.right[i]!), new Float64Array(HOPS)),
    bright: null,
    peaks: null,
  })
  const ids = Object.keys(loud)
  const tracks = Object.fromEntries(ids.map((id) => [id, hear(id, true)]))
  return {
    hops: HOPS,
    mix: sum(Object.values(tracks)),
    still: sum(ids.map((id) => hear(id, false))),
    peaks: new Float64Array(HOPS).fill(-6),
    tracks,
    shares: {},
    entries: Object.fromEntries(start.tracks.map(({ id }) => [id, [0]])),
  }
}
