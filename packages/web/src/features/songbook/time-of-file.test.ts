import { songOfStems } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { inTimeOf } from './time-of-file'

const stem = { name: 'Tune', role: 'lead', asset: 'a'.repeat(64), channels: 1, frames: 44_100 * 60 } as const
const song = songOfStems('Ferry', [stem], () => 'id')
const score = {
  tempo: [{ tick: 0, bpm: 90, form: 'hold' as const }],
  meter: [{ tick: 0, beats: 3, unit: 4 as const }],
}

describe('the time of a score', () => {
  it('is taken over with its sections, from the start of the song on', () => {
    const timed = inTimeOf(song, { ...score, markers: [{ tick: 8640, text: 'Chorus' }] }, 0, () => 'x')
    expect([timed.tempo, timed.meter]).toEqual([score.tempo, score.meter])
    expect(timed.sections.map((s) => [s.letter, s.name, s.tick])).toEqual([
      ['A', '', 0],
      ['B', 'Chorus', 8640],
    ])
  })

  it('leaves sections as they are where the score names none', () => {
    expect(inTimeOf(song, { ...score, markers: [] }, 0, () => 'x').sections.map((s) => s.name)).toEqual([
      'All',
    ])
  })
})
