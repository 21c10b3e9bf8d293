import type { Points } from '@rudlo/core/envelope'
import type { PlannedHandIn, PlannedWork } from './assignment'
import { SQUEEZEBOX, TIDE } from './making-room-lanes'
import { at, drawnByHand, line } from '../lines'

/** The lines of the two lanes that are open. */
interface TwoLines {
  readonly tide: Points
  readonly squeezebox: Points
}

const drew = <T extends TwoLines>({ tide, squeezebox, ...rest }: T) => ({
  ...rest,
  lines: { [TIDE]: tide, [SQUEEZEBOX]: squeezebox },
})

const goodTide = line([at(1), -90], [at(4, 4), -6])
const lateDrop = line([at(1), -3], [at(5, 3), -3], [at(6, 3), -8], [at(12), -8], [at(13), -3])

/** What has been handed in so far, oldest first: work of very different quality. */
const VERSIONS: readonly (Omit<PlannedHandIn, 'lines'> & TwoLines)[] = [
  {
    student: 'ines',
    hoursAgo: 70,
    tide: line([at(1), -90, 'curve', -1.5], [at(4, 4), -5]),
    squeezebox: line(
      [at(1), -3],
      [at(4, 2), -3, 's', 3],
      [at(4, 4), -10.5],
      [at(12, 4), -10.5, 's', 3],
      [at(13, 2), -3],
      [at(29), -3],
      [at(32, 4), -90],
    ),
    review: {
      marks: { fades: 3, room: 3, place: 3 },
      comment: 'I stopped working and just listened. The tune has all the room it needs.',
      remarks: [
        {
          lane: SQUEEZEBOX,
          from: at(4, 2),
          to: at(5),
          text: 'Down a beat before the whistle: exactly where I would put it.',
        },
      ],
      outcome: 'accepted',
    },
  },
  {
    student: 'milan',
    hoursAgo: 68,
    tide: line([at(2), -90], [at(4, 4), -6]),
    squeezebox: line(
      [at(1), -3],
      [at(4), -3],
      [at(4, 4), -6.5],
      [at(12, 4), -6.5],
      [at(13, 2), -3],
      [at(29), -3],
      [at(32, 3), -90],
    ),
    review: {
      marks: { fades: 2, room: 1, place: 2 },
      comment:
        'Well placed everywhere. The dip could be braver: turn it down until it feels too much, then back a little.',
      remarks: [
        {
          lane: SQUEEZEBOX,
          from: at(5),
          to: at(13),
          text: 'Three and a half decibels is hardly heard. Try twice that and listen for the whistle.',
        },
      ],
      outcome: 'accepted',
    },
  },
  {
    student: 'tobin',
    hoursAgo: 66,
    tide: line([at(3, 3), -90], [at(4), -6]),
    squeezebox: [...lateDrop, ...line([at(31), -3, 'jump'], [at(32), -90])],
    review: {
      marks: { fades: 0, room: 1, place: 0 },
      comment:
        'All three moves are there. Now give them time, and let them be ready before the music needs them.',
      remarks: [
        {
          lane: TIDE,
          from: at(3),
          to: at(5),
          text: 'The water comes in two beats, like a door. Start in bar 1.',
        },
        {
          lane: SQUEEZEBOX,
          from: at(5),
          to: at(7),
          text: 'The whistle has played for six beats before you make room. Listen for its first note.',
        },
        {
          lane: SQUEEZEBOX,
          from: at(31),
          to: at(33),
          text: 'Here it is cut off. Let it leave over four bars.',
        },
      ],
      outcome: 'again',
    },
  },
  {
    student: 'ayla',
    hoursAgo: 50,
    tide: goodTide,
    squeezebox: line(
      [at(1), -3],
      [at(4), -3],
      [at(5), -9],
      [at(13), -9],
      [at(14), -3],
      [at(29), -3, 'curve', 5],
      [at(32, 4), -38],
    ),
    review: {
      marks: { fades: 1, room: 2, place: 2 },
      comment: 'The middle is lovely. The end still has something to tell: does it ever reach silence?',
      remarks: [
        {
          lane: SQUEEZEBOX,
          from: at(31),
          to: at(33),
          text: 'Listen to the very last second with your eyes closed. Something is still there.',
          suggestion: line(
            [at(1), -3],
            [at(4), -3],
            [at(5), -9],
            [at(13), -9],
            [at(14), -3],
            [at(29), -3],
            [at(32, 4), -90],
          ),
        },
      ],
      outcome: 'again',
    },
  },
  { student: 'wilma', hoursAgo: 46, tide: line([at(2), -20]), squeezebox: line([at(1), -3], [at(32), -14]) },
  {
    student: 'oskar',
    hoursAgo: 30,
    tide: line([at(1), -90], [at(3), -6]),
    squeezebox: line([at(1), -3], [at(4), -3], [at(5), -11], [at(29), -11], [at(33), -90]),
  },
  {
    student: 'jonas',
    hoursAgo: 26,
    tide: drawnByHand(
      [
        [at(1), -60],
        [at(4), -8],
        [at(5), -6],
      ],
      240,
    ),
    squeezebox: drawnByHand(
      [
        [at(1), -3],
        [at(4), -3.5],
        [at(5), -9],
        [at(12), -8.5],
        [at(13), -3],
        [at(28), -3],
        [at(31), -30],
        [at(32, 4), -90],
      ],
      480,
    ),
  },
  {
    student: 'petra',
    hoursAgo: 20,
    tide: line([at(1), -90, 's', 3], [at(5), -6]),
    squeezebox: line(
      [at(1), -3],
      [at(4, 3), -3],
      [at(5), -8.5],
      [at(12, 3), -8.5],
      [at(13), -3],
      [at(30), -3],
      [at(33), -44],
    ),
  },
  {
    student: 'tobin',
    hoursAgo: 5,
    tide: line([at(1), -90], [at(4), -6]),
    squeezebox: line(
      [at(1), -3],
      [at(4), -3],
      [at(4, 4), -9],
      [at(12, 4), -9],
      [at(13, 2), -3],
      [at(29), -3],
      [at(32, 4), -90],
    ),
  },
]

/** Begun, not handed in yet. */
const STARTED: readonly (Omit<PlannedWork, 'lines'> & TwoLines)[] = [
  { student: 'rune', tide: goodTide, squeezebox: line([at(1), -3], [at(4, 3), -3], [at(5), -9]) },
]

export const HAND_INS: readonly PlannedHandIn[] = VERSIONS.map(drew)
export const BEGUN: readonly PlannedWork[] = STARTED.map(drew)
