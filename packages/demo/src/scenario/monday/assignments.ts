import { bendThrough } from '@rudlo/core/envelope'
import { trackLevel } from '@rudlo/core/mix'
import { eveningFerry } from '../../songs'
import { at, line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment, type PlannedWork } from '../term/assignment'
import { fades } from '../term/fades'
import { filterBuild } from '../term/filter-build'
import { firstBalance } from '../term/first-balance'
import { BALANCE, makingRoom } from '../term/making-room'
import { SQUEEZEBOX, TIDE } from '../term/making-room-lanes'
import { pan } from '../term/pan'
import { sends } from '../term/sends'
import { at3, FILTER } from '../term/waltz'

/** What was asked for, and an answer that is good. */
export interface Asked extends Pick<PlannedAssignment, 'score' | 'title' | 'rubric' | 'brief' | 'start'> {
  readonly good: Pick<PlannedWork, 'lines' | 'settings'>
}

const WHISTLE = trackLevel('whistle')
const STRINGS = trackLevel('strings')
const ACCORDION = trackLevel('accordion')
const CUSHION = trackLevel('cushion')

const asked = (planned: PlannedAssignment, good?: Asked['good']): Asked => ({
  ...planned,
  good: good ?? planned.model ?? planned.handIns[0]!,
})

/** A line is raised and given back. */
const lift: Asked = {
  score: eveningFerry,
  title: 'The whistle answers',
  rubric: TERM_RUBRIC,
  brief: {
    purpose: 'In the answer the whistle may step forward for eight bars. After that it is one of many again.',
    open: [WHISTLE],
    answers: 'drawing',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      {
        id: 'forward',
        title: 'The whistle steps forward',
        text: 'Bars 13 to 20: about 5 dB more, there on the first beat of C.',
        lanes: [WHISTLE],
        from: at(12),
        to: at(22),
        weight: 2,
        checks: [
          {
            id: 'forward-1',
            kind: 'lift',
            values: { lane: WHISTLE, from: at(13), to: at(21), depth: 5, tolerance: 2, beats: 1 },
          },
          {
            id: 'forward-2',
            kind: 'returns',
            values: { lane: WHISTLE, from: at(11), to: at(22), tolerance: 2 },
          },
        ],
        hints: ['Is it there on the first beat?', 'Bars 13 to 20.', 'Up before it, back after it.'],
      },
    ],
  },
  start: (plain) => balanced(plain, BALANCE, [WHISTLE]),
  good: {
    lines: {
      [WHISTLE]: line([at(1), -6], [at(12, 3), -6], [at(12, 4.5), -1], [at(20, 4.5), -1], [at(21, 2), -6]),
    },
  },
}

/** Something comes out of nothing in the middle of a song, and goes there again. */
const there: Asked = {
  score: eveningFerry,
  title: 'Strings under the tune',
  rubric: TERM_RUBRIC,
  brief: {
    purpose: 'Nobody should notice when the low strings begin, and nobody should notice when they are gone.',
    open: [STRINGS],
    answers: 'drawing',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      {
        id: 'come',
        title: 'The strings come',
        text: 'Bars 9 to 12: out of nothing, and there when C begins.',
        lanes: [STRINGS],
        from: at(8),
        to: at(14),
        weight: 1,
        checks: [
          {
            id: 'come-1',
            kind: 'fade in',
            values: { lane: STRINGS, from: at(9), to: at(13), beats: 3, even: 24 },
          },
        ],
        hints: ['Can you tell when they begin?', 'Bars 9 to 12.', 'One point at each end.'],
      },
      {
        id: 'go',
        title: 'The strings go',
        text: 'Bars 25 to 28: evenly, all the way to silence.',
        lanes: [STRINGS],
        from: at(24),
        to: at(30),
        weight: 1,
        checks: [
          {
            id: 'go-1',
            kind: 'fade out',
            values: { lane: STRINGS, from: at(25), to: at(29), beats: 3, even: 24 },
          },
        ],
        hints: ['Is anything left at bar 29?', 'Bars 25 to 28.', 'Down to the floor.'],
      },
    ],
  },
  start: (plain) => balanced(plain, BALANCE, [STRINGS]),
  good: {
    lines: {
      [STRINGS]: line([at(1), -90], [at(9), -90], [at(13), -8], [at(25), -8], [at(29), -90]),
    },
  },
}

const room = line(
  [at(1), -3],
  [at(4, 2), -3],
  [at(4, 4), -10.5],
  [at(12, 4), -10.5],
  [at(13, 2), -3],
  [at(29), -3, 'curve', bendThrough(0.5, 0.5)],
  [at(32, 4), -90],
)

/** The eight assignments of the Monday class, in their order. */
export const ASKED: readonly Asked[] = [
  asked(firstBalance, {
    lines: {},
    settings: { ...firstBalance.handIns[0]!.settings, [WHISTLE]: -5 },
  }),
  there,
  asked(fades),
  lift,
  asked(makingRoom, { lines: { [TIDE]: line([at(1), -90], [at(4, 4), -6]), [SQUEEZEBOX]: room } }),
  asked(pan, pan.handIns[0]),
  asked(sends),
  asked(filterBuild, {
    lines: {
      [FILTER]: line([at3(25), 250], [at3(33), 9000]),
      [ACCORDION]: line([0, -9], [at3(29), -20], [at3(33), -5], [at3(49), -5], [at3(50), -9]),
      [CUSHION]: line([0, -10], [at3(29), -17], [at3(33), -3], [at3(49), -3], [at3(50), -10]),
    },
  }),
]
