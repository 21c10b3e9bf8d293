import { hearPicture, picturesAsked, RecentParts, type PictureTask } from '@rudlo/core/heard'
import { playPart, songVersionOf, TERM } from '@rudlo/demo'
import { compareMixes } from '@rudlo/core/compare'
import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
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

/** What a picture takes after an edit, in ms: once everything was looked at before, the best of some edits. */
export function picturesAfterEdits(): Readonly<Record<'dry' | 'build' | 'balance', number>> {
  const { score, start } = TERM[0]!
  const played = score.parts.map((part) => playPart(score, part))
  const song = songVersionOf(
    score,
    played,
    score.parts.map((p) => p.id),
  )
  const audio = new Map(
    played.map(({ part, channels }) => [part.id, { channels, frames: channels[0]!.length }]),
  )
  const plain = start(plainMix(song))
  const [lane] = [trackLevel(song.tracks[0]!.id)]
  const BAR = 3840
  const faded = (bars: number): Mix =>
    withPoints(plain, lane, [point(4 * BAR, 0), point((4 + bars) * BAR, -90)], () => 'line')
  const asks: Readonly<
    Record<'dry' | 'build' | 'balance', { task: PictureTask; edited: (i: number) => Mix }>
  > = {
    dry: { task: { lanes: [lane], from: 0, to: song.length, checks: [] }, edited: (i) => faded(2 + i / 8) },
    build: {
      task: {
        lanes: [lane],
        from: 0,
        to: song.length,
        checks: [{ kind: 'build', values: { from: 4 * BAR, to: 8 * BAR } }],
      },
      edited: (i) => faded(2 + i / 8),
    },
    balance: {
      task: { lanes: [], from: 0, to: song.length, checks: [] },
      edited: (i) => withSetting(plain, lane, -3 - i),
    },
  }
  const took = ({ task, edited }: (typeof asks)['dry']) => {
    const cache = new RecentParts()
    let least = Infinity
    for (let i = 0; i < 5; i++) {
      const began = performance.now()
      const mix = edited(i)
      for (const one of picturesAsked(song, mix, task)) hearPicture(song, mix, audio, one, cache)
      if (i) least = Math.min(least, performance.now() - began)
    }
    return least
  }
  return { dry: took(asks.dry), build: took(asks.build), balance: took(asks.balance) }
}
