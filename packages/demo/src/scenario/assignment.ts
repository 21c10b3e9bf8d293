import { trackLevel, type Mix } from '@rudlo/core/mix'
import { at } from './lines'

export const TIDE = trackLevel('tide')
export const SQUEEZEBOX = trackLevel('squeezebox')

/** Fader and pan of every track where the lesson starts. */
const BALANCE: Readonly<Record<string, readonly [level: number, pan: number]>> = {
  squeezebox: [-3, 0],
  whistle: [-6, 0.15],
  hum: [-6, -0.1],
  harp: [-6, -0.4],
  bass: [-7, 0],
  brushes: [-8, 0.25],
  strings: [-10, -0.2],
  tide: [-6, 0],
}

/** The mix that everybody starts from: balanced, no lines, two lanes open. */
export function startingMix(plain: Mix): Mix {
  return {
    ...plain,
    tracks: plain.tracks.map((t) => {
      const [level, pan] = BALANCE[t.id] ?? [0, 0]
      return { ...t, level, pan }
    }),
    envelopes: [SQUEEZEBOX, TIDE].map((address, i) => ({
      id: `line-${i + 1}`,
      address,
      on: true,
      open: true,
      points: [],
    })),
  }
}

export const TITLE = 'Make room for the tune'

export const BRIEF = {
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
    },
    {
      id: 'make-room',
      title: 'Make room at B',
      text: 'Bars 5 to 12. Bring the squeezebox down so that the whistle is easy to follow, and be down before its first note. Give the song back at C.',
      lanes: [SQUEEZEBOX],
      from: at(4),
      to: at(14),
    },
    {
      id: 'let-go',
      title: 'Let the song go',
      text: 'Bars 29 to 32. The squeezebox leaves slowly and evenly, all the way to silence, with the last bar.',
      lanes: [SQUEEZEBOX],
      from: at(29),
      to: at(33),
    },
  ],
} as const

export const RUBRIC = {
  levels: ['not yet', 'nearly', 'there', 'beyond'],
  criteria: [
    { id: 'fades', name: 'Fades', about: 'Come from and go to silence, evenly, at the right time.' },
    { id: 'room', name: 'Making room', about: 'The tune is easy to follow, and nothing else is lost.' },
    { id: 'place', name: 'Placement', about: 'Moves begin and end with the music.' },
  ],
} as const
