import { overviewOf } from '@rudlo/core/exchange'
import { songOfStems, withTiming } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { soundingBars } from './sounding-bars'

const BAR_S = 2
const asset = 'a'.repeat(64)
let n = 0

/** A song at 120 in four whose one track sounds in some bars. */
function songThatSounds(bars: number, sounds: (bar: number) => boolean, downbeat = 0) {
  const samples = new Int16Array(bars * BAR_S * 44_100).map((_, i) => {
    const bar = Math.floor((i / 44_100 - downbeat) / BAR_S) + 1
    return sounds(bar) ? Math.round(20_000 * Math.sin(i / 20)) : 0
  })
  const plain = songOfStems(
    'Song',
    [{ name: 'Organ', role: 'lead', asset, channels: 1, frames: samples.length }],
    () => `id-${++n}`,
  )
  const song = withTiming(plain, { tempo: plain.tempo, meter: plain.meter, downbeat })
  return { song, track: song.tracks[0]!.id, overviews: new Map([[asset, overviewOf([samples])]]) }
}
const bar = (number: number) => (number - 1) * 3840

describe('the bars in which a move is shown', () => {
  it('are the first in which the track sounds all the time', () => {
    const { song, track, overviews } = songThatSounds(16, (b) => b === 4 || b >= 7)
    expect(soundingBars(song, track, overviews, 4)).toEqual({ from: bar(7), to: bar(11) })
  })

  it('leave a bar before them, and follow the first downbeat', () => {
    const all = songThatSounds(8, () => true)
    expect(soundingBars(all.song, all.track, all.overviews, 2)).toEqual({ from: bar(2), to: bar(4) })
    const late = songThatSounds(12, (b) => b >= 6, 0.5)
    expect(soundingBars(late.song, late.track, late.overviews, 2)).toEqual({ from: bar(7), to: bar(9) })
  })

  it('are none where it never sounds that long, or nothing is known of it yet', () => {
    const { song, track, overviews } = songThatSounds(8, (b) => b % 2 === 0)
    expect(soundingBars(song, track, overviews, 2)).toBeNull()
    expect(soundingBars(song, track, new Map(), 2)).toBeNull()
    expect(soundingBars(song, 'nobody', overviews, 2)).toBeNull()
  })
})
