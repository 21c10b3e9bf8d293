import type { Rubric } from '@rudlo/core/rubric'
import type { PlannedReview } from '../term/assignment'
import { wobble, type Hand } from './beginners-hand'

/** How good a hand is, as a share of the levels. */
const WORTH: Readonly<Record<Hand, number>> = {
  good: 0.9,
  crowded: 0.6,
  late: 0.5,
  short: 0.45,
  cut: 0.4,
  stays: 0.3,
  drifts: 0.15,
}

/** What the teacher writes. */
const COMMENTS: Readonly<Record<Hand, readonly [string, string]>> = {
  good: [
    'I forgot to look at the line and just listened.',
    'Everything is where the music needs it. Well done.',
  ],
  crowded: [
    'It sounds right. Now try it with five points: you will find it far easier to change.',
    'Lovely ear. The line has many more points than it needs.',
  ],
  late: [
    'The moves are right, and each comes a little after the music. Be there before it.',
    'Listen to the first beat: the music is there, and your line is still on its way.',
  ],
  short: [
    'The right idea in the right place. Be bolder: I hardly hear it yet.',
    'You are half of the way there. Twice as much, and it does what was asked.',
  ],
  cut: [
    'The end is a cut. Give it some bars to leave.',
    'Listen to the last moment: something is switched off there.',
  ],
  stays: [
    'It moves, and then it stays where it is. Bring it back when its moment is over.',
    'A lovely lift. Where does it come home?',
  ],
  drifts: [
    'It drifts over the whole song. Set a point where the move begins, and one where it is over.',
    'Two points make one long slope. Where should nothing happen?',
  ],
}

/** The teacher's answer to a version. @param isLast whether another one follows */
export function reviewOf(hand: Hand, rubric: Rubric, who: string, isLast: boolean): PlannedReview {
  const top = rubric.levels.length - 1
  const marks = rubric.criteria.map(({ id }): [string, number] => {
    const level = Math.round(WORTH[hand] * top + wobble(who, id) * 0.6)
    return [id, Math.min(top, Math.max(0, level))]
  })
  return {
    marks: Object.fromEntries(marks),
    comment: COMMENTS[hand][wobble(who, 'comment') > 0 ? 0 : 1],
    remarks: [],
    outcome: hand === 'good' || (isLast && hand === 'crowded') ? 'accepted' : 'again',
  }
}
