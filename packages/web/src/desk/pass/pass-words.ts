import type { Way as CommandWay } from '@rudlo/contract/works'
import type { Way } from '@rudlo/core/pass'
import { t } from '../../words/t'

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
    name: t('pass.way.read'),
    trade: 'read',
    sentence: t('pass.way.read.about'),
    old: OLD,
    hand: '',
    result: OLD,
  },
  hold: {
    name: t('pass.way.hold'),
    trade: 'touch',
    sentence: t('pass.way.hold.about'),
    old: OLD,
    hand: 'M20 8H46',
    result: 'M2 26H20V8H46L56 20C60 16 62 16 66 16H88',
  },
  meet: {
    name: t('pass.way.meet'),
    trade: '',
    sentence: t('pass.way.meet.about'),
    old: OLD,
    hand: 'M20 19H44',
    result: 'M2 26H20V19H58C62 16 64 16 66 16H88',
  },
  moved: {
    name: t('pass.way.move'),
    trade: 'latch',
    sentence: t('pass.way.move.about'),
    old: OLD,
    hand: 'M20 8H40',
    result: 'M2 26H20V8H80L88 16',
  },
  shift: {
    name: t('pass.way.shift'),
    trade: 'trim',
    sentence: t('pass.way.shift.about'),
    old: OLD,
    hand: 'M20 16H70',
    result: 'M2 26H20V16H44C54 16 56 6 66 6H76L86 16H88',
  },
  throughout: {
    name: t('pass.way.throughout'),
    trade: 'write',
    sentence: t('pass.way.throughout.about'),
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
