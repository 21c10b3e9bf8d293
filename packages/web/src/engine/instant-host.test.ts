import { point } from '@rudlo/core/envelope'
import { addEffect, plainMix, withPoints, withRegion, withSetting } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { shortSong } from '../../test/short-song'
import { isDry, isRecorded } from './instant-host'

const asset = 'a'.repeat(64)
const song: SongVersion = {
  ...shortSong,
  regions: [{ id: 'r', track: 'reed', asset, start: 0, offset: 0, length: 44_100 }],
  assets: [{ id: asset, channels: 1, frames: 44_100 }],
}
const recorded = plainMix(song)

describe('loudness that follows at once', () => {
  it('is known while regions, effects and sends are as in the table, wherever faders stand', () => {
    expect(isDry(recorded, recorded)).toBe(true)
    // a mix that was saved and opened again is another object
    expect(isDry(withSetting(plainMix(song), 'track/reed/level', -20), recorded)).toBe(true)
  })

  it('is not known where a region was made softer or an effect was added', () => {
    expect(isDry(addEffect(recorded, 'reed', 'filter', 'f'), recorded)).toBe(false)
    const touched = addEffect(recorded, 'reed', 'playing', 't')
    const moved = withPoints(touched, 'effect/t/attack', [point(0, 0)], () => 'line')
    const set = withSetting(touched, 'effect/t/brightness', 0.2)
    expect([touched, moved, set].map((mix) => isDry(mix, recorded))).toEqual([true, false, false])
    const softer = withRegion(recorded, 'r', { level: -3 })
    expect([isDry(softer, recorded), isRecorded(softer.tracks[0]!, recorded.tracks[0])]).toEqual([
      false,
      false,
    ])
  })
})
