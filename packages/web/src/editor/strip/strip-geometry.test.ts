import { songTime } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { loopText } from '../../desk/transport/loop-text'
import { barsAround, loudnessPath } from './strip-geometry'

const time = songTime({
  format: 'rudlo-song',
  version: 1,
  title: '',
  length: 16 * 3840,
  tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
  meter: [{ tick: 0, beats: 4, unit: 4 }],
  sections: [],
  tracks: [],
  regions: [],
  assets: [],
})

describe('barsAround', () => {
  it('takes whole bars, in either direction, and never leaves the song', () => {
    expect(barsAround(time, 100, 5000)).toEqual({ from: 0, to: 7680 })
    expect(barsAround(time, 5000, 100)).toEqual({ from: 0, to: 7680 })
    expect(barsAround(time, 3840, 3840)).toEqual({ from: 3840, to: 7680 })
    expect(barsAround(time, 60_000, 99_999)).toEqual({ from: 57_600, to: 61_440 })
  })
})

describe('loudnessPath', () => {
  it('is empty while nothing is known', () => {
    expect(loudnessPath(null, time, 500, 60)).toBe('')
    expect(loudnessPath([-20], time, 0, 60)).toBe('')
  })

  it('is higher where it is louder, and at the floor for silence', () => {
    const y = (lufs: number | null) =>
      Number(/L[\d.]+ ([\d.]+)L/.exec(loudnessPath(Array<number | null>(300).fill(lufs), time, 500, 60))![1])
    expect(y(-10)).toBeLessThan(y(-30))
    expect([y(null), y(-Infinity), y(-70)]).toEqual([60, 60, 60])
  })
})

it('names the bars of a loop', () => {
  expect(loopText(null, time.meter)).toBe('No loop yet')
  expect(loopText({ from: 3840, to: 15_360 }, time.meter)).toBe('Loop bars 2 to 4')
  expect(loopText({ from: 3840, to: 7680 }, time.meter)).toBe('Loop bar 2')
})
