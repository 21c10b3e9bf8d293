import { expect, it } from 'vitest'
import { Wave } from './wave'

const waveOf = (peaks: readonly number[]) => {
  const wave = new Wave()
  for (const peak of peaks) wave.add(peak)
  return wave
}

it('has the loudest of each part beside the loudest of all, whatever its length', () => {
  expect(waveOf([0.1, 0.2, 0, 0.4]).parts(2)).toEqual([50, 100])
  expect(waveOf([0.1, 0.2]).parts(64)).toEqual([50, 100])
  expect(waveOf(Array.from({ length: 900 }, (_, i) => i / 900)).parts(64)).toHaveLength(64)
  expect(waveOf([]).parts(64)).toEqual([])
})

it('stays flat where nobody speaks', () => {
  expect(waveOf([0.001, 0.002]).parts(2)).toEqual([5, 10])
})
