import { trackLevel } from '@rudlo/core/mix'
import { line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment } from './assignment'
import { at3, BALANCE, CUSHION_HALL, ECHO, END, WALTZ, withRoom } from './waltz'

const CUSHION = trackLevel('cushion')

/** Shut, open for a moment, shut. */
const thrown = (from: number, to: number, db: number) => line([0, -90, 'jump'], [from, db, 'jump'], [to, -90])

/** Fifth of the term: one word hangs in the air. */
export const sends: PlannedAssignment = {
  score: WALTZ,
  title: 'One word echoes',
  daysAgo: 12,
  dueInHours: 30,
  rubric: TERM_RUBRIC,
  brief: {
    purpose:
      'An echo on everything is fog. An echo on one word is a picture. The last note before the turn shall hang in the air.',
    open: [ECHO, CUSHION_HALL, CUSHION],
    answers: 'asked',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      {
        id: 'word',
        title: 'The last word of the waltz',
        text: 'Bar 24: the singer’s last note before the turn goes into the echo, and nothing else does.',
        lanes: [ECHO],
        from: at3(22),
        to: at3(28),
        weight: 2,
        checks: [
          {
            id: 'word-1',
            kind: 'throw',
            values: { lane: ECHO, from: at3(24), to: at3(25), least: -12, beats: 1.5 },
          },
          { id: 'word-2', kind: 'tail kept', values: { track: 'singer', from: at3(24), to: at3(30) } },
        ],
        hints: ['Which note do you want to keep?', 'The one of bar 24, just before C.', 'Shut, open, shut.'],
      },
      {
        id: 'strings-go',
        title: 'The strings go, and their hall with them',
        text: 'At the end the strings leave. Listen whether anything of them stays in the hall.',
        lanes: [CUSHION, CUSHION_HALL],
        from: at3(47),
        to: END,
        weight: 1,
        checks: [
          { id: 'go-1', kind: 'silence', values: { track: 'cushion', from: at3(54), level: -90 } },
          { id: 'go-2', kind: 'no mistake', values: { mistake: 'echo stays' } },
        ],
        hints: [
          'Mute everything else and listen to the end.',
          'Its send is taken before the fader.',
          'The send needs a fade too.',
        ],
      },
    ],
  },
  start: (plain) => withRoom(balanced(plain, BALANCE, [CUSHION])),
  model: {
    lines: {
      [ECHO]: thrown(at3(24), at3(25), -4),
      [CUSHION]: line([0, -10], [at3(50), -10], [at3(54), -90]),
      [CUSHION_HALL]: line([0, -14], [at3(50), -14], [at3(54), -90]),
    },
  },
  handIns: [
    {
      student: 'ines',
      hoursAgo: 200,
      lines: {
        [ECHO]: thrown(at3(24), at3(24, 3), -3),
        [CUSHION]: line([0, -10], [at3(49), -10], [at3(53), -90]),
        [CUSHION_HALL]: line([0, -14], [at3(49), -14], [at3(53), -90]),
      },
    },
    {
      student: 'petra',
      hoursAgo: 190,
      // opened, and never closed again
      lines: {
        [ECHO]: line([0, -90], [at3(23, 3), -90], [at3(24), -2]),
        [CUSHION]: line([0, -10], [at3(50), -10], [at3(54), -90]),
      },
    },
    {
      student: 'bea',
      hoursAgo: 180,
      // the echo is cut off instead of let go
      lines: {
        [ECHO]: line([0, -90, 'jump'], [at3(23), -2, 'jump'], [at3(30), -90]),
        'return/echo/level': line([0, 0], [at3(25), 0], [at3(25, 2), -90], [at3(30), -90], [at3(31), 0]),
        [CUSHION]: line([0, -10], [at3(50), -10], [at3(54), -90]),
      },
    },
    {
      student: 'wilma',
      hoursAgo: 170,
      lines: { [ECHO]: line([0, 6], [at3(48), 6], [at3(49), -90]) },
      settings: { 'effect/echo-delay/feedback': 0.75 },
      said: 'I like it when it swims.',
    },
  ],
  begun: [],
}
