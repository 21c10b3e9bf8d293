import { TEMPO, trackLevel } from '@rudlo/core/mix'
import { line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment } from './assignment'
import { at3, BALANCE, FILTER, WALTZ, withFilter } from './waltz'

const ACCORDION = trackLevel('accordion')
const CUSHION = trackLevel('cushion')

/** Sixth of the term: the long way to the great waltz. */
export const filterBuild: PlannedAssignment = {
  score: WALTZ,
  title: 'All the lanterns',
  daysAgo: 6,
  dueInHours: 130,
  rubric: TERM_RUBRIC,
  brief: {
    purpose:
      'From the turn to the great waltz it should grow the whole way: brighter first, then louder, and then everybody is there.',
    open: [FILTER, ACCORDION, CUSHION, TEMPO],
    answers: 'played',
    hintsAfter: 2,
    repairs: true,
    tasks: [
      {
        id: 'open',
        title: 'Open the filter',
        text: 'Bars 25 to 32: the strings begin as if behind a door, and the door opens.',
        lanes: [FILTER],
        from: at3(25),
        to: at3(33),
        weight: 1,
        checks: [
          {
            id: 'open-1',
            kind: 'sweep',
            values: { lane: FILTER, from: at3(25), to: at3(33), way: 'up', least: 35, beats: 4 },
          },
        ],
        hints: [
          'Listen to how bright it is, not how loud.',
          'The whole turn.',
          'Low at the start, high at the end.',
        ],
      },
      {
        id: 'grow',
        title: 'Grow into the waltz',
        text: 'Bars 29 to 32 grow and arrive with D. Leave room at the top. The tempo is open too, if the street should hurry a little.',
        lanes: [ACCORDION, CUSHION],
        from: at3(29),
        to: at3(35),
        weight: 2,
        checks: [
          {
            id: 'grow-1',
            kind: 'build',
            values: { from: at3(29), to: at3(33), by: 'loudness', least: 2, steady: 60 },
          },
          { id: 'grow-2', kind: 'true peak', values: { from: at3(25), to: at3(49), most: -1 } },
        ],
        hints: [
          'Is each bar a little more than the one before?',
          'It arrives on the first beat of D.',
          'From low to high.',
        ],
      },
    ],
  },
  start: (plain) => withFilter(balanced(plain, BALANCE, [ACCORDION, CUSHION])),
  handIns: [
    {
      student: 'milan',
      hoursAgo: 90,
      lines: {
        [FILTER]: line([at3(25), 250], [at3(33), 9000]),
        [ACCORDION]: line([0, -9], [at3(29), -16], [at3(33), -7], [at3(49), -7], [at3(50), -9]),
        [CUSHION]: line([0, -10], [at3(29), -14], [at3(33), -4], [at3(49), -4], [at3(50), -10]),
      },
    },
    {
      student: 'jonas',
      hoursAgo: 80,
      // everything up as far as it goes
      lines: {
        [FILTER]: line([at3(25), 250], [at3(33), 9000]),
        [ACCORDION]: line([0, -9], [at3(29), -9], [at3(33), 6], [at3(49), 6], [at3(50), -9]),
        [CUSHION]: line([0, -10], [at3(29), -10], [at3(33), 6], [at3(49), 6], [at3(50), -10]),
      },
      settings: { 'track/shuffle/level': 4, 'track/double-bass/level': 4 },
    },
    {
      student: 'ayla',
      hoursAgo: 60,
      lines: {
        [FILTER]: line([at3(25), 300], [at3(33), 12_000]),
        [ACCORDION]: line([0, -9], [at3(31), -9], [at3(32), -5]),
      },
    },
  ],
  begun: [{ student: 'rune', lines: { [FILTER]: line([at3(27), 400], [at3(33), 6000]) } }],
}
