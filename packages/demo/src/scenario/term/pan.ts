import { line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment, type PlannedCommand } from './assignment'
import { at3, BALANCE, WALTZ } from './waltz'

const FIFE = 'track/fife/pan'
const BELLS = 'track/bells/pan'

const pass = (how: string, from: number, to: number, lanes: readonly string[]): PlannedCommand => ({
  label: 'Wrote by hand',
  lanes,
  from,
  to,
  how,
})
const step = (from: number, to: number): PlannedCommand => ({
  label: 'Set a point',
  lanes: [FIFE],
  from,
  to,
  how: 'hand',
})

/** Fourth of the term: somebody walks down the street. */
export const pan: PlannedAssignment = {
  score: WALTZ,
  title: 'Down the street',
  daysAgo: 16,
  dueInHours: -100,
  rubric: TERM_RUBRIC,
  brief: {
    purpose:
      'In the turn the fife player walks past us, from left to right. We should hear where they are with our eyes closed.',
    open: [FIFE, BELLS],
    answers: 'drawing',
    hintsAfter: 0,
    repairs: true,
    tasks: [
      {
        id: 'walk',
        title: 'The fife walks past',
        text: 'Bars 25 to 32: from the left to the right, at a walking pace.',
        lanes: [FIFE],
        from: at3(24),
        to: at3(34),
        weight: 2,
        checks: [
          {
            id: 'walk-1',
            kind: 'sweep',
            values: { lane: FIFE, from: at3(25), to: at3(33), way: 'up', least: 40, beats: 3 },
          },
          { id: 'walk-2', kind: 'form', values: { lane: FIFE, from: at3(25), to: at3(33), form: 'even' } },
        ],
        hints: [
          'With headphones, point to where the fife is.',
          'All of the turn, bars 25 to 32.',
          'One point left, one right.',
        ],
      },
      {
        id: 'home',
        title: 'And stays near us',
        text: 'When everybody plays together again, the fife stands a little to the right.',
        lanes: [FIFE],
        from: at3(33),
        to: at3(37),
        weight: 1,
        checks: [
          { id: 'home-1', kind: 'position', values: { lane: FIFE, from: at3(36), value: 20, tolerance: 12 } },
        ],
        hints: ['Where is there still room for it?', 'By bar 36.', 'One more point.'],
      },
    ],
  },
  start: (plain) => balanced(plain, { ...BALANCE, fife: [-8, -0.1] }, [FIFE, BELLS]),
  model: { lines: { [FIFE]: line([0, -0.8], [at3(25), -0.8], [at3(33), 0.8], [at3(35), 0.2]) } },
  handIns: [
    {
      student: 'ayla',
      hoursAgo: 330,
      lines: { [FIFE]: line([at3(25), -0.9], [at3(33), 0.9], [at3(34), 0.2]) },
      review: {
        marks: { moves: 3, balance: 3, tidiness: 3 },
        comment: 'I turned my head after the fife. That is all one can ask for.',
        remarks: [],
        outcome: 'accepted',
      },
    },
    {
      student: 'jonas',
      hoursAgo: 320,
      // everything a hair beside the beat
      lines: { [FIFE]: line([at3(25) + 17, -0.7], [at3(33) - 14, 0.6], [at3(35) + 21, 0.2]) },
    },
    {
      student: 'milan',
      hoursAgo: 310,
      // drawn in four steps, then flattened by one pass over all of it
      lines: { [FIFE]: line([at3(20), 0.2], [at3(40), 0.21]) },
      commands: [
        step(at3(25), at3(27)),
        step(at3(27), at3(30)),
        step(at3(30), at3(33)),
        step(at3(33), at3(35)),
        pass('play to stop', at3(20), at3(40), [FIFE]),
      ],
    },
    {
      student: 'oskar',
      hoursAgo: 300,
      lines: {
        [FIFE]: line([at3(25), -0.6], [at3(33), 0.6], [at3(34), 0.2]),
        'track/shuffle/mute': line([0, 0, 'jump'], [at3(28), 1, 'jump'], [at3(30), 0, 'jump']),
      },
      commands: [pass('hold', at3(25), at3(33), [FIFE, 'track/shuffle/mute'])],
    },
    {
      student: 'rune',
      hoursAgo: 296,
      // the very line of a neighbour
      lines: { [FIFE]: line([at3(25) + 17, -0.7], [at3(33) - 14, 0.6], [at3(35) + 21, 0.2]) },
    },
  ],
  begun: [],
}
