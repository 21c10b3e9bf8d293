import { compareMixes } from '@rudlo/core/compare'
import { point } from '@rudlo/core/envelope'
import { plainMix, type Mix } from '@rudlo/core/mix'
import { measurementOf } from '@rudlo/core/assess'
import { smallSong } from '../packages/core/test/songs'

/** A mix of 40 lanes with 100 points each. */
function crowded(bend: number): { song: ReturnType<typeof smallSong>; mix: Mix } {
  const song = smallSong(90)
  const tracks = Array.from({ length: 20 }, (_, i) => ({ ...song.tracks[0]!, id: `t${i}` }))
  const large = { ...song, tracks, regions: [] }
  const mix: Mix = {
    ...plainMix(large),
    envelopes: tracks.flatMap(({ id }) =>
      ['level', 'pan'].map((word) => ({
        id: `${id}-${word}`,
        address: `track/${id}/${word}`,
        on: true,
        open: true,
        points: Array.from({ length: 100 }, (_, k) =>
          point(k * 1700, word === 'pan' ? Math.sin(k / 9 + bend) * 0.8 : -8 + 5 * Math.sin(k / 11 + bend)),
        ),
      })),
    ),
  }
  return { song: large, mix }
}

/** Milliseconds that comparing two measured mixes takes, the best of some. */
export function comparing(): number {
  const { song, mix } = crowded(0)
  const { mix: other } = crowded(0.4)
  const silent = { integrated: null, range: 0, truePeak: -Infinity, momentary: new Float64Array(0) }
  const [a, b] = [mix, other].map((m) => ({ mix: m, measured: measurementOf(song, m, silent) }))
  let least = Infinity
  for (let i = 0; i < 9; i++) {
    const start = performance.now()
    compareMixes(song, a!, b!)
    least = Math.min(least, performance.now() - start)
  }
  return least
}
