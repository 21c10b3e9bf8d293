import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import type { WrittenPart } from '../song'
import { checkSong } from '.'

const withPart = (more: object) => {
  const part: WrittenPart = {
    player: 'fingerBass',
    freedom: 0,
    peak: 1,
    seed: 1,
    notes: [
      [0, 1, 40, 0.8],
      [1, 1, 45, 0.8],
    ],
  }
  const { tracks, ...rest } = smallSong()
  return { ...rest, tracks: [{ ...tracks[0]!, part: { ...part, ...more } }, ...tracks.slice(1)] }
}

describe('the notes of a part', () => {
  it('may be bent and may slide', () => {
    expect(checkSong(withPart({}))).toMatchObject({ ok: true })
    expect(checkSong(withPart({ bends: [[0.5, -2]], slides: [[1, 40, 0.3]] }))).toMatchObject({ ok: true })
  })

  it.each([
    ['from no pitch', [[1, 128, 0.3]]],
    ['for longer than any does', [[1, 40, 2]]],
    ['that are none of its notes', [[0.5, 40, 0.3]]],
    ['from nowhere', [[1, 40]]],
  ])('are refused where they slide %s', (_, slides) => {
    expect(checkSong(withPart({ slides }))).toMatchObject({ ok: false })
  })
})
