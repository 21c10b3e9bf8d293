/**
 * Answers to tasks as a teacher would judge them: right ones, right ones by another way to the same sound, and others that come near
 * and are not. How they were ridden or set comes from the model of a hand; what each is worth is known from how it was made.
 */
import { Chance } from '../../drawn/hand'
import { aside } from './asides'
import {
  buildTask,
  evennessTask,
  inMixTask,
  leadTask,
  loudnessTask,
  positionTask,
  sidesTask,
} from './balances'
import { fade } from './fades'
import type { Answer, Task } from './made'
import { dropTask, jumpTask, throwTask } from './moments'
import { crossingTask, returnsTask, silenceTask, sweepTask } from './places'

import { fewTask, formTask, onlyTask, peakTask, tailTask } from './ways'

export type { Answer } from './made'

const TASKS: Readonly<Record<string, Task>> = {
  dip: aside('dip'),
  lift: aside('lift'),
  'fade in': fade('in'),
  'fade out': fade('out'),
  throw: throwTask,
  drop: dropTask,
  jump: jumpTask,
  sweep: sweepTask,
  silence: silenceTask,
  returns: returnsTask,
  crossing: crossingTask,
  'lead over rest': leadTask,
  'in the mix': inMixTask,
  'left against right': sidesTask,
  loudness: loudnessTask,
  evenness: evennessTask,
  build: buildTask,
  position: positionTask,
  form: formTask,
  'few points': fewTask,
  'only lanes': onlyTask,
  'true peak': peakTask,
  'tail kept': tailTask,
}

/**
 * So many answers a check, about a third of them right, right by another way and wrong, of the half that is worked on or of the half
 * that nobody looks at.
 */
export function answers(each: number, half: 'open' | 'sealed'): Answer[] {
  return Object.entries(TASKS).flatMap(([kind, { right, others, wrong, near, loud }], k) =>
    Array.from({ length: each }, (_, i): Answer => {
      const c = new Chance(2 * (50_000 + k * 1000 + i) + (half === 'open' ? 0 : 1))
      const other = i % 3 === 2 && others.length > 0
      const makers = other ? others : i % 3 === 0 || i % 6 === 5 ? wrong : right
      const maker = makers[Math.floor(i / 3) % makers.length]!
      const answer: Omit<Answer, 'deserved'> = {
        name: `${kind} ${i}: ${makers === wrong ? 'wrong' : other ? 'other' : 'right'} ${makers.indexOf(maker)}`,
        kind,
        right: makers !== wrong,
        near: makers === wrong && near.includes(makers.indexOf(maker)),
        other,
        loud,
        ...maker(c),
      }
      return {
        ...answer,
        deserved: [
          // a hand whose points nobody thins, or too little, leaves many more than its line needs
          ...(answer.mix.envelopes.some((e) => e.points.length > 24) ? ['too many points'] : []),
          // to shut a return, or its effect, at once is to cut what rings in it
          ...(answer.mix.envelopes.some((e) => /^return|wet$/.test(e.address)) ? ['tail cut'] : []),
        ],
      }
    }),
  )
}
