import { describe, expect, it } from 'vitest'
import type { SongVersion } from '../song'
import { playAnew, playedAnew, writtenFromMidi } from '.'

const ASSET = 'b'.repeat(64)
const song = (bpm: number, kept = true): SongVersion => ({
  format: 'rudlo-song',
  version: 1,
  title: 'Two notes',
  length: 4 * 960,
  tempo: [{ tick: 0, bpm, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [
    {
      id: 'bass',
      name: 'Bass',
      role: 'bass',
      channels: 1,
      ...(kept
        ? {
            part: {
              player: 'uprightBass',
              freedom: 0,
              peak: 0.5,
              seed: 3,
              notes: [
                [0, 1, 40, 0.8],
                [2, 1, 45, 0.8],
              ],
            },
          }
        : {}),
    },
  ],
  regions: [{ id: 'r', track: 'bass', asset: ASSET, start: 0, offset: 0, length: 1 }],
  assets: [{ id: ASSET, channels: 1, frames: 1 }],
})

/** Where the second of two notes begins, in seconds: the loudest place after a silence. */
function secondNote(samples: Int16Array, from: number, to: number): number {
  let best = 0
  for (let n = from; n < to; n++) if (Math.abs(samples[n]!) > Math.abs(samples[best]!)) best = n
  return best / 44_100
}

describe('a part', () => {
  it('is played again from its notes, in the tempo that its song has', () => {
    const [slow, fast] = [60, 120].map((bpm) => playAnew(song(bpm), ASSET)!)
    expect([slow!.frames, fast!.frames]).toEqual([4 * 44_100, 2 * 44_100])
    const late = secondNote(slow!.channels[0]!, 1.9 * 44_100, 3 * 44_100)
    const early = secondNote(fast!.channels[0]!, 0.95 * 44_100, 1.5 * 44_100)
    expect([late, early].map((s) => Math.round(s * 10) / 10)).toEqual([2, 1])
  })

  it('from a MIDI file slides where it was written to, as long as its instrument has a pitch', () => {
    const written = (drums: boolean) => {
      const slide = { from: 52, seconds: 0.4 }
      const notes = [40, 45].map((pitch, i) => ({ tick: i * 1920, ticks: 960, pitch, strength: 0.8 }))
      return writtenFromMidi({ program: 33, drums, bends: [], notes: [notes[0]!, { ...notes[1]!, slide }] })
    }
    expect([written(false).slides, written(true).slides]).toEqual([[[1, 52, 0.4]], undefined])
    const { slides: _, ...plain } = written(false)
    const [straight, sliding] = [plain, written(false)].map((part) => {
      const { tracks, ...rest } = song(120)
      return playAnew({ ...rest, tracks: [{ ...tracks[0]!, part }] }, ASSET)!.channels[0]!
    })
    // the first note is the same, the second comes from elsewhere
    const second = 44_100
    const levels = (part: Int16Array) => part.subarray(0, 0.9 * second).reduce((sum, v) => sum + v * v, 0)
    expect(levels(sliding!) / levels(straight!)).toBeCloseTo(1, 0)
    expect(sliding!.subarray(second)).not.toEqual(straight!.subarray(second))
  })

  it('is the same samples every time, and none where its notes are not there', () => {
    expect(playAnew(song(96), ASSET)).toEqual(playAnew(song(96), ASSET))
    expect(playAnew(song(96, false), ASSET)).toBeNull()
    expect([playedAnew(song(96)).size, playedAnew(song(96, false)).size]).toEqual([1, 0])
  })
})
