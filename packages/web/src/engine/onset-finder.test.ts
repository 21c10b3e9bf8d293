import { TempoMap } from '@rudlo/core/time'
import { describe, expect, it } from 'vitest'
import { placeOnsets } from './onset-finder'

const RATE = 44_100
const tempo = new TempoMap([{ tick: 0, bpm: 120, form: 'hold' }])
const region = {
  id: 'r',
  asset: 'a',
  start: 1920,
  offset: RATE,
  length: 2 * RATE,
  level: 0,
  fadeIn: 0,
  fadeOut: 0,
}

describe('the onsets of a region', () => {
  it('lie where they are heard, and only those it plays', () => {
    const samples = [0, RATE - 1, RATE, 1.5 * RATE, 2.99 * RATE, 3 * RATE, 5 * RATE]
    expect(placeOnsets(samples, region, tempo)).toEqual([1920, 2880, 5741])
  })
})
