/** A second way to hear a mix, that shares nothing with the engine: two steady recordings, and every fader a number that multiplies. */
import { valueAt } from '../../../src/envelope'
import type { Heard, Part } from '../../../src/heard'
import { resolve, type Mix } from '../../../src/mix'
import { start } from '../../drawn/mistakes'

const HOPS = 640
const TICKS_A_HOP = 192
/** Peaks stand so many dB over how loud it is. */
const CREST = 11

/** How loud the recording of a track is, in LUFS, at a tick. */
export type Loud = (tick: number) => number

type Control = (tick: number) => number

/** A control over time: of its line if there is one. */
function controlOf(mix: Mix, address: string, lines: boolean): Control {
  const found = resolve(mix, address)
  if (!found) return () => 0
  const line = lines ? mix.envelopes.find((e) => e.address === address && e.on && e.points.length) : undefined
  return line ? (tick) => valueAt(line.points, found.control.scale, tick) : () => found.setting
}

/** What is heard of a mix whose tracks are so loud. @param loud LUFS of each recording at 0 dB */
export function listen(mix: Mix, loud: Readonly<Record<string, Loud>>): Heard {
  const hear = (track: string, lines: boolean): Part => {
    const [left, right] = [new Float64Array(HOPS), new Float64Array(HOPS)]
    const control = (address: string) => controlOf(mix, address, lines)
    const [gain, level, mute, side] = ['gain', 'level', 'mute', 'pan'].map((word) =>
      control(`track/${track}/${word}`),
    ) as [Control, Control, Control, Control]
    const main = control('main/level')
    for (let hop = 0; hop < HOPS; hop++) {
      const tick = (hop + 0.5) * TICKS_A_HOP
      const muted = mute(tick) >= 0.5
      const db = loud[track]!(tick) + gain(tick) + level(tick) + main(tick)
      const energy = muted ? 0 : 10 ** ((db + 0.691) / 10)
      const pan = side(tick)
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
  const whole = sum(Object.values(tracks))
  return {
    hops: HOPS,
    mix: whole,
    still: sum(ids.map((id) => hear(id, false))),
    peaks: whole.left.map((e, i) => CREST + 10 * Math.log10(e + whole.right[i]!) - 0.691),
    tracks,
    shares: {},
    entries: Object.fromEntries(start.tracks.map(({ id }) => [id, [0]])),
  }
}
