import { bendThrough } from '@rudlo/core/envelope'
import { trackLevel } from '@rudlo/core/mix'
import { line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment } from './assignment'
import { at3, BALANCE, END, WALTZ } from './waltz'

const CUSHION = trackLevel('cushion')
const BELLS = trackLevel('bells')

/** Second of the term: coming out of nothing, and going there again. */
/** Who leaves stays up longer, and who comes is there sooner: no hole opens where they cross. */
const STAYS = ['curve', bendThrough(0.2, 8)] as const
const SOON = ['curve', bendThrough(0.8, 8)] as const

export const fades: PlannedAssignment = {
  score: WALTZ,
  title: 'Out of the dark',
  daysAgo: 23,
  dueInHours: -250,
  rubric: TERM_RUBRIC,
  brief: {
    purpose: 'The street is dark, the lanterns come on, and at the end they go out one after the other.',
    open: [CUSHION, BELLS],
    answers: 'played',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      {
        id: 'dark',
        title: 'The strings come out of the dark',
        text: 'Bars 1 to 8. The strings begin in silence and are there when the waltz begins.',
        lanes: [CUSHION],
        from: 0,
        to: at3(9),
        weight: 1,
        checks: [
          {
            id: 'dark-1',
            kind: 'fade in',
            values: { lane: CUSHION, from: 0, to: at3(9), beats: 3, even: 24 },
          },
        ],
        hints: ['Can you tell when they begin?', 'All of section A.', 'One point at each end.'],
      },
      {
        id: 'change',
        title: 'Strings out as the harp comes in',
        text: 'Bars 45 to 48: the strings leave while the street harp comes. No hole between them.',
        lanes: [CUSHION, BELLS],
        from: at3(45),
        to: at3(49),
        weight: 1,
        checks: [
          {
            id: 'change-1',
            kind: 'crossing',
            values: { leaves: 'cushion', comes: 'bells', from: at3(45), to: at3(49), hole: 4 },
          },
        ],
        hints: [
          'Listen to the middle of it: does it get empty?',
          'Both move over the same four bars.',
          'One bends to stay up, the other bends to be there soon.',
        ],
      },
      {
        id: 'out',
        title: 'The last lantern',
        text: 'The street harp goes out over the last four bars, all the way.',
        lanes: [BELLS],
        from: at3(50),
        to: END,
        weight: 1,
        checks: [
          {
            id: 'out-1',
            kind: 'fade out',
            values: { lane: BELLS, from: at3(51), to: END, beats: 3, even: 24 },
          },
        ],
        hints: ['Is there anything left at the very end?', 'It begins at bar 51.', 'Down to the floor.'],
      },
    ],
  },
  start: (plain) => balanced(plain, BALANCE, [CUSHION, BELLS]),
  model: {
    lines: {
      [CUSHION]: line([0, -90], [at3(9), -8], [at3(45), -8, ...STAYS], [at3(49), -90]),
      [BELLS]: line([0, -90], [at3(45), -90, ...SOON], [at3(49), -8], [at3(51), -8], [END, -90]),
    },
  },
  handIns: [
    {
      student: 'petra',
      hoursAgo: 500,
      lines: {
        [CUSHION]: line([0, -90, 's', 1.5], [at3(9), -9], [at3(45), -9, ...STAYS], [at3(49), -90]),
        [BELLS]: line([0, -90], [at3(45), -90, ...SOON], [at3(49), -9], [at3(51), -9], [END, -90]),
      },
      review: {
        marks: { moves: 3, balance: 2, tidiness: 3 },
        comment: 'The change at bar 45 is so smooth that I had to look for it.',
        remarks: [],
        outcome: 'accepted',
      },
    },
    {
      student: 'tobin',
      hoursAgo: 490,
      lines: {
        [CUSHION]: line([0, -20], [at3(9), -8], [at3(47), -8, 'jump'], [at3(48), -90]),
        [BELLS]: line(
          [0, -90],
          [at3(47), -90, 'jump'],
          [at3(48), -8],
          [at3(54), -8, 'jump'],
          [at3(54, 3), -90],
        ),
      },
    },
    {
      student: 'bea',
      hoursAgo: 470,
      lines: {
        [CUSHION]: line([0, -90], [at3(9), -8], [at3(45), -8, ...STAYS], [at3(49), -90]),
        [BELLS]: line([0, -90], [at3(45), -90, ...SOON], [at3(49), -8], [at3(51), -8], [END, -34]),
      },
      off: [BELLS],
      said: 'The last lantern stays on, a little.',
    },
    {
      student: 'rune',
      hoursAgo: 460,
      // a line that is straight, in a hundred points
      lines: {
        [CUSHION]: line(
          ...Array.from({ length: 100 }, (_, i) => [at3(1 + i * 0.5), -14 + i * 0.08] as const),
        ),
      },
      writing: ['cushion'],
    },
  ],
  begun: [],
}
