import type { Way as CommandWay } from '@rudlo/contract/works'
import type { Way } from '@rudlo/core/pass'

/** How a way of writing is said: by what the hand does, with the trade's word beside it. */
export interface WayWords {
  readonly name: string
  /** Empty where there is no common one. */
  readonly trade: string
  /** What happens, in one sentence. */
  readonly sentence: string
  /** Old line, hand and result over a box of 90 by 36, as paths; the hand empty where it does nothing. */
  readonly old: string
  readonly hand: string
  readonly result: string
}

const OLD = 'M2 26H44C54 26 56 16 66 16H88'

export const WAY_WORDS: Readonly<Record<Way, WayWords>> = {
  follow: {
    name: 'follow only',
    trade: 'read',
    sentence: 'The lines move the controls. Nothing is written.',
    old: OLD,
    hand: '',
    result: OLD,
  },
  hold: {
    name: 'while I hold',
    trade: 'touch',
    sentence: 'The line follows your hand while you hold the control; when you let go it glides back.',
    old: OLD,
    hand: 'M20 8H46',
    result: 'M2 26H20V8H46L56 20C60 16 62 16 66 16H88',
  },
  meet: {
    name: 'until I meet the line',
    trade: '',
    sentence: 'It writes from when you leave the line until what you set meets it again.',
    old: OLD,
    hand: 'M20 19H44',
    result: 'M2 26H20V19H58C62 16 64 16 66 16H88',
  },
  moved: {
    name: 'from when I move',
    trade: 'latch',
    sentence: 'It writes from your first move on and stays where you let go, until you stop.',
    old: OLD,
    hand: 'M20 8H40',
    result: 'M2 26H20V8H80L88 16',
  },
  shift: {
    name: 'shift what is there',
    trade: 'trim',
    sentence: 'The old line keeps its form and is raised or lowered by what your hand adds.',
    old: OLD,
    hand: 'M20 16H70',
    result: 'M2 26H20V16H44C54 16 56 6 66 6H76L86 16H88',
  },
  throughout: {
    name: 'from play to stop',
    trade: 'write',
    sentence: 'Everything from play to stop is written anew, also where you do not touch the control.',
    old: OLD,
    hand: 'M30 8H56',
    result: 'M2 12H30V8H88',
  },
}

/** How a command says which way made it. */
export const WAY_COMMANDS: Readonly<Record<Exclude<Way, 'follow'>, CommandWay>> = {
  hold: 'hold',
  meet: 'meet',
  moved: 'move',
  shift: 'shift',
  throughout: 'play to stop',
}
