import { trackLevel } from '@rudlo/core/mix'
import { eveningFerry } from '../../songs'
import { at, line } from '../lines'
import { balanced, TERM_RUBRIC, type PlannedAssignment } from './assignment'

const SQUEEZEBOX = trackLevel('squeezebox')
const WHISTLE = trackLevel('whistle')

/** Where it starts: nobody has looked at the faders yet. */
const CARELESS = {
  squeezebox: [2, 0.4],
  whistle: [-14, 0],
  hum: [-12, 0.3],
  harp: [0, 0.5],
  bass: [-2, 0],
  brushes: [-2, 0.5],
  strings: [-4, 0.3],
  tide: [-4, 0],
} as const

const faders = (levels: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(levels).map(([track, level]) => [trackLevel(track), level]))
const pans = (places: Readonly<Record<string, number>>) =>
  Object.fromEntries(Object.entries(places).map(([track, pan]) => [`track/${track}/pan`, pan]))

/** First of the term: listen, and set the faders. No lines yet. */
export const firstBalance: PlannedAssignment = {
  score: eveningFerry,
  title: 'First balance',
  daysAgo: 30,
  dueInHours: -400,
  rubric: TERM_RUBRIC,
  brief: {
    purpose:
      'Before anything moves, everything has to stand well. Set the faders and pans so that the tune can be followed and nobody is lost.',
    open: eveningFerry.parts.flatMap((p) => [trackLevel(p.id), `track/${p.id}/pan`]),
    answers: 'asked',
    hintsAfter: 1,
    repairs: true,
    tasks: [
      {
        id: 'tune-in-front',
        title: 'The tune in front',
        text: 'In section B the **whistle** has the tune. Bring it forward, or the others back.',
        lanes: [],
        from: at(5),
        to: at(13),
        weight: 2,
        checks: [
          {
            id: 'tune-1',
            kind: 'lead over rest',
            values: { track: 'whistle', from: at(5), to: at(13), low: -7, high: 3 },
          },
          {
            id: 'tune-2',
            kind: 'in the mix',
            values: { track: 'bass', from: at(5), to: at(13), low: -22, high: -4 },
          },
        ],
        hints: [
          'Close your eyes: which sound do you have to search for?',
          'Listen to bars 5 to 12, with the squeezebox muted and not.',
        ],
      },
      {
        id: 'left-and-right',
        title: 'Left and right',
        text: 'Spread the players across the room, and keep the middle in the middle.',
        lanes: [],
        from: at(21),
        to: at(29),
        weight: 1,
        checks: [
          { id: 'sides-1', kind: 'left against right', values: { from: at(21), to: at(29), tolerance: 2 } },
        ],
        hints: ['Take one earphone out, then the other. Does half of the band go?'],
      },
      {
        id: 'room-left',
        title: 'Room left',
        text: 'Nothing may crackle: leave some room at the top.',
        lanes: [],
        from: 0,
        to: at(33),
        weight: 1,
        checks: [{ id: 'room-1', kind: 'true peak', values: { from: 0, to: at(33), most: -1 } }],
        hints: ['Look for the loudest place of the song, and listen there.'],
      },
    ],
  },
  start: (plain) => balanced(plain, CARELESS, []),
  handIns: [
    {
      student: 'ines',
      hoursAgo: 640,
      lines: {},
      settings: {
        ...faders({
          squeezebox: -10,
          whistle: -1,
          hum: -4,
          harp: -10,
          bass: -7,
          brushes: -9,
          strings: -12,
          tide: -8,
        }),
        ...pans({ squeezebox: -0.2, hum: 0.1, harp: -0.4, brushes: 0.3, strings: 0.1 }),
      },
      review: {
        marks: { moves: 2, balance: 3, tidiness: 3 },
        comment: 'Everybody has a place, and I never had to search for the tune.',
        remarks: [],
        outcome: 'accepted',
      },
    },
    {
      student: 'oskar',
      hoursAgo: 630,
      lines: {},
      settings: {
        ...faders({ squeezebox: -6, whistle: -6, harp: -6, strings: -10 }),
        ...pans({ squeezebox: 0, harp: 0.2, brushes: 0.2, strings: 0.1, hum: 0 }),
      },
    },
    {
      student: 'wilma',
      hoursAgo: 625,
      // a line where a fader would do, and a fader under a line
      lines: {
        [SQUEEZEBOX]: line([at(1), -9], [at(30), -9]),
        [WHISTLE]: line([at(1), -4], [at(21), -4], [at(22), -8]),
      },
      settings: { [WHISTLE]: 3 },
      said: 'I wanted the squeezebox softer everywhere.',
    },
  ],
  begun: [],
}
