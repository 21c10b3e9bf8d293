import type { Brief } from '@rudlo/core/brief'
import type { Rubric } from '@rudlo/core/rubric'
import { at } from '../lines'
import { balanced, type PlannedAssignment } from './assignment'
import { BEGUN, HAND_INS } from './making-room-hand-ins'
import { SQUEEZEBOX, TIDE } from './making-room-lanes'
import { eveningFerry } from '../../songs'

/** Fader and pan of every track where the lesson starts. */
export const BALANCE: Readonly<Record<string, readonly [level: number, pan: number]>> = {
  squeezebox: [-3, 0],
  whistle: [-6, 0.15],
  hum: [-6, -0.1],
  harp: [-6, -0.4],
  bass: [-7, 0],
  brushes: [-8, 0.25],
  strings: [-10, -0.2],
  tide: [-6, 0],
}

const BRIEF: Brief = {
  answers: 'played',
  hintsAfter: 1,
  repairs: true,
  purpose:
    'The squeezebox is there all the time, and the whistle has to shout over it. Let the water come in, make room for the tune, and let the song go.',
  open: [SQUEEZEBOX, TIDE],
  tasks: [
    {
      id: 'tide-in',
      title: 'Let the tide come in',
      text: 'Bars 1 to 4. The water starts from nothing and is at its place when the tune enters at B. Nobody should notice the moment it begins.',
      lanes: [TIDE],
      from: at(1),
      to: at(5),
      weight: 1,
      checks: [
        {
          id: 'tide-in-1',
          kind: 'fade in',
          values: { lane: TIDE, from: at(1), to: at(4, 4), beats: 3, even: 22 },
        },
        {
          id: 'tide-in-2',
          kind: 'position',
          values: { lane: TIDE, from: at(6), value: -6, tolerance: 4 },
        },
      ],
      hints: [
        'Close your eyes and listen to the very first second: can you tell when the water begins?',
        'It takes all of bars 1 to 4. The tune enters at bar 5, and by then the water is there.',
        'One point where it begins, in silence, and one where it has arrived.',
      ],
    },
    {
      id: 'make-room',
      title: 'Make room at B',
      text: 'Bars 5 to 12. Bring the squeezebox down so that the whistle is easy to follow, and be down before its first note. Give the song back at C.',
      lanes: [SQUEEZEBOX],
      from: at(4),
      to: at(14),
      weight: 2,
      checks: [
        {
          id: 'make-room-1',
          kind: 'dip',
          values: { lane: SQUEEZEBOX, from: at(5), to: at(13), depth: 7, tolerance: 2.5, beats: 1 },
        },
        {
          id: 'make-room-2',
          kind: 'returns',
          values: { lane: SQUEEZEBOX, from: at(3), to: at(14), tolerance: 4 },
        },
        {
          id: 'make-room-3',
          kind: 'lead over rest',
          values: { track: 'whistle', from: at(5), to: at(13), low: -4, high: 6 },
        },
      ],
      hints: [
        'Listen to the first note of the whistle: is there room for it already?',
        'The whistle enters at bar 5. Be down a moment before it, and come back at C.',
        'Four points: two to go down, two to come back.',
      ],
    },
    {
      id: 'let-go',
      title: 'Let the song go',
      text: 'Bars 29 to 32. The squeezebox leaves slowly and evenly, all the way to silence, with the last bar.',
      lanes: [SQUEEZEBOX],
      from: at(29),
      to: at(33),
      weight: 1,
      checks: [
        {
          id: 'let-go-1',
          kind: 'fade out',
          values: { lane: SQUEEZEBOX, from: at(29), to: at(32, 4), beats: 3, even: 22 },
        },
        { id: 'let-go-2', kind: 'silence', values: { track: 'squeezebox', from: at(33), level: -90 } },
      ],
      hints: [
        'Listen to the very last second with your eyes closed. Is anything left?',
        'It begins at bar 29 and takes four bars.',
        'One point where it begins to leave, and one in silence at the end.',
      ],
    },
  ],
}

const RUBRIC: Rubric = {
  levels: ['not yet', 'nearly', 'there', 'beyond'],
  criteria: [
    {
      id: 'fades',
      name: 'Fades',
      about: 'Come from and go to silence, evenly, at the right time.',
      aspect: 'moves',
      rests: ['fade in', 'fade out', 'silence'],
      says: [
        'A fade is missing, or it is a cut.',
        'Both fades are there; one never reaches silence, or comes in a rush.',
        'Both fades come from and go to silence, evenly.',
        'Nobody can tell where the fades begin.',
      ],
    },
    {
      id: 'room',
      name: 'Making room',
      about: 'The tune is easy to follow, and nothing else is lost.',
      aspect: 'balance',
      rests: ['dip', 'returns', 'lead over rest'],
      says: [
        'The whistle still has to shout.',
        'There is some room, but not yet enough, or too late.',
        'The whistle is easy to follow from its first note to its last.',
        'The squeezebox steps aside like a good host, and comes back like one.',
      ],
    },
    {
      id: 'place',
      name: 'Placement',
      about: 'Moves begin and end with the music.',
      aspect: 'placement',
      says: [
        'Moves come when the music has gone on already.',
        'Most moves are in time.',
        'Every move is ready before the music needs it.',
        'The moves breathe with the phrases.',
      ],
    },
  ],
}

/** Third of the term: making room, with a fade at both ends. */
export const makingRoom: PlannedAssignment = {
  score: eveningFerry,
  title: 'Make room for the tune',
  daysAgo: 20,
  dueInHours: 60,
  rubric: RUBRIC,
  brief: BRIEF,
  start: (plain) => balanced(plain, BALANCE, [SQUEEZEBOX, TIDE]),
  handIns: HAND_INS,
  begun: BEGUN,
}
