import { EFFECT_KINDS, controlsOf, modesOf } from '../src/effects'
import { point } from '../src/envelope'
import { plainMix, type Effect, type Mix } from '../src/mix'
import type { SongVersion } from '../src/song'

/** An effect as it comes. */
export const effectOf = (kind: (typeof EFFECT_KINDS)[number]): Effect => ({
  id: `fx-${kind}`,
  kind,
  name: '',
  bypass: false,
  wet: 1,
  mode: modesOf(kind)[0],
  params: Object.fromEntries(Object.entries(controlsOf(kind)).map(([word, c]) => [word, c.initial])),
})

/** A mix of the small song that uses every part of the format. */
export function richMix(song: SongVersion): Mix {
  const plain = plainMix(song)
  return {
    ...plain,
    tracks: plain.tracks.map((t, i) => ({
      ...t,
      effects: i ? [] : EFFECT_KINDS.map(effectOf),
      sends: [{ id: `send-${i}`, to: 'echo', level: -12, tap: 'post' as const, on: true }],
    })),
    returns: [
      {
        id: 'echo',
        name: 'Echo',
        effects: [],
        mute: false,
        level: 0,
        pan: 0,
        sends: [{ id: 'echo-hall', to: 'hall', level: -6, tap: 'pre', on: false }],
      },
      { id: 'hall', name: 'Hall', effects: [], mute: false, level: 0, pan: 0, sends: [] },
    ],
    envelopes: [
      { id: 'e1', address: 'track/reed/level', on: true, open: true, points: [point(0, -90), point(960, 0)] },
      { id: 'e2', address: 'send/send-0/level', on: true, open: false, points: [] },
      {
        id: 'e3',
        address: 'effect/fx-filter/frequency',
        on: false,
        open: true,
        points: [point(5, 440, 'curve', 2)],
      },
      { id: 'e4', address: 'main/level', on: true, open: true, points: [] },
    ],
    motifs: [{ id: 'm1', name: 'Throw', control: 'level', length: 1920, points: [point(0, -90)] }],
    placements: [{ id: 'p1', motif: 'm1', envelope: 'e2', start: 3840 }],
  }
}
