import type { SongVersion } from '@rudlo/core/song'

const BAR = 3840
const TRACKS = [
  ['squeezebox', 'Squeezebox', 'chords'],
  ['whistle', 'Whistle', 'lead'],
  ['tide', 'Tide', 'texture'],
  ['harp', 'Harp', 'chords'],
  ['hum', 'Hum', 'texture'],
] as const

/** The recording of the first of them; nobody has it. */
const ASSET = 'a'.repeat(64)

/** Sixteen bars for five players, of whom one was recorded: for tests of what lies on the desk. */
export const deskSong: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: 'The ferry',
  length: 16 * BAR,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: ['A', 'B', 'C', 'D'].map((letter, i) => ({ id: letter, letter, name: '', tick: i * 4 * BAR })),
  tracks: TRACKS.map(([id, name, role]) => ({ id, name, role, channels: 2 })),
  regions: [{ id: 'take', track: 'squeezebox', asset: ASSET, start: 0, offset: 0, length: 16 * 88_200 }],
  assets: [{ id: ASSET, frames: 16 * 88_200, channels: 2 }],
}
