import type { SongVersion } from '@rudlo/core/song'

/** Four bars of four for one player, without audio: for tests of stores. */
export const shortSong: SongVersion = {
  format: 'rudlo-song',
  version: 1,
  title: '',
  length: 15_360,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [{ id: 'reed', name: 'Reed', role: 'lead', channels: 1 }],
  regions: [],
  assets: [],
}
