import { addEffect, addReturn, addSend, tapSend, withSetting, type Mix } from '@rudlo/core/mix'
import { lanterns } from '../../songs'

/** Tick of a bar and beat of the waltz, which is in three throughout. */
export const at3 = (bar: number, beat = 1) => Math.round(((bar - 1) * 3 + (beat - 1)) * 960)

export const END = at3(55)

/** Fader and pan of every track of the waltz where a lesson starts. */
export const BALANCE = {
  singer: [-4, 0],
  fife: [-8, 0.2],
  accordion: [-9, -0.3],
  bells: [-10, 0.4],
  'double-bass': [-8, 0],
  shuffle: [-10, 0.15],
  cushion: [-10, -0.1],
} as const

export const ECHO = 'send/singer-echo/level'
export const CUSHION_HALL = 'send/cushion-hall/level'
export const FILTER = 'effect/cushion-filter/frequency'

/** The waltz with an echo and a hall to send to; the hall is fed before the fader. */
export function withRoom(mix: Mix): Mix {
  let room = addReturn(mix, 'Echo', 'delay', { back: 'echo', effect: 'echo-delay' })
  room = addReturn(room, 'Hall', 'reverb', { back: 'hall', effect: 'hall-reverb' })
  room = addSend(room, 'singer', 'echo', 'singer-echo')
  room = addSend(room, 'cushion', 'hall', 'cushion-hall')
  room = tapSend(room, 'cushion-hall', 'pre')
  return withSetting(room, CUSHION_HALL, -14)
}

/** The waltz with a filter on its strings. */
export const withFilter = (mix: Mix): Mix => addEffect(mix, 'cushion', 'filter', 'cushion-filter')

export const WALTZ = lanterns
