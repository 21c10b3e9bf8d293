import { words } from '@rudlo/words'
import { TICKS_PER_QUARTER } from '../time'
import { DEPTHS } from './controllers'
import type { MidiMove } from './events'
import { cleaned, parsed } from './parse'

/** A controller of a track as it was written: shares of its range, 0…1, each from its tick on. */
export interface WrittenController {
  readonly number: number
  /** 127, or 16,383 where it has a finer half. */
  readonly most: number
  readonly moves: readonly MidiMove[]
}

/** A track of a MIDI file that moves controls. */
export interface ControllerTrack {
  readonly name: string
  readonly controllers: readonly WrittenController[]
}

/** What {@link writeMidi} writes: volume, pan, how it is played, depths of the returns. */
const WRITTEN: readonly number[] = [7, 10, 73, 74, ...DEPTHS]
const FINER = 32

/**
 * The controllers of every track of a Standard MIDI File, also where it plays no notes.
 * @throws RangeError with one sentence for anything else, or for a damaged file
 */
export function controllersOf(bytes: Uint8Array): ControllerTrack[] {
  const file = parsed(bytes)
  const perQuarter = file.header.ticksPerBeat
  if (!perQuarter) throw new RangeError(words('midi.counts'))
  return file.tracks.map((track) => {
    const halves = new Map<number, Map<number, number>>()
    let now = 0
    let name = ''
    for (const event of track) {
      now += event.deltaTime
      if (event.type === 'trackName') name ||= cleaned(event.text)
      if (event.type !== 'controller' || event.controllerType === undefined) continue
      const tick = Math.round((now * TICKS_PER_QUARTER) / perQuarter)
      const moves = halves.get(event.controllerType) ?? new Map<number, number>()
      halves.set(event.controllerType, moves.set(tick, Math.min(127, Math.max(0, event.value ?? 0))))
    }
    const controllers = WRITTEN.flatMap((number) => {
      const coarse = halves.get(number)
      return coarse ? [together(number, coarse, halves.get(number + FINER))] : []
    })
    return { name, controllers }
  })
}

/** A controller with its finer half, where there is one: each half stays until it is sent again. */
function together(
  number: number,
  coarse: ReadonlyMap<number, number>,
  fine: ReadonlyMap<number, number> | undefined,
): WrittenController {
  const most = fine ? 16_383 : 127
  let [high, low] = [0, 0]
  const ticks = [...new Set([...coarse.keys(), ...(fine?.keys() ?? [])])].sort((a, b) => a - b)
  const moves = ticks.map((tick) => {
    high = coarse.get(tick) ?? high
    low = fine?.get(tick) ?? low
    return { tick, value: (fine ? high * 128 + low : high) / most }
  })
  return { number, most, moves }
}
