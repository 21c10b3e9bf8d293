import { describe, expect, it } from 'vitest'
import { SAMPLE_RATE } from '../time'
import { BandMeter, BANDS, BARK_EDGES, LOOK } from './bands'
import { comeForward, inTheWay } from './in-the-way'

const tone = (hz: number, level = 1) =>
  new Float64Array(LOOK).map((_, n) => level * Math.sin((2 * Math.PI * hz * n) / SAMPLE_RATE))
const NOTHING = new Float64Array(LOOK)

function bandsOf(left: Float64Array, right = NOTHING): Float64Array {
  const into = new Float64Array(BANDS)
  new BandMeter().add(left, right, into)
  return into
}

describe('the energy of a sound in the critical bands', () => {
  it('lies in the band of a tone, and is its mean square', () => {
    for (const [i, low] of BARK_EDGES.slice(0, -1).entries()) {
      // the middle of the band; of the lowest one, what a look can tell from nothing
      const hz = Math.max(60, (low + BARK_EDGES[i + 1]!) / 2)
      const bands = bandsOf(tone(hz, 0.5))
      expect(bands.indexOf(Math.max(...bands)), `${hz} Hz`).toBe(i)
      expect(10 * Math.log10(bands[i]! / 0.125)).toBeCloseTo(0, 1)
    }
  })

  it('is that of both sides together, however they stand to each other', () => {
    const [one, two] = [tone(1000, 0.5), tone(1000, -0.5)]
    const sum = (bands: Float64Array) => bands.reduce((a, b) => a + b, 0)
    const alone = sum(bandsOf(one))
    expect(sum(bandsOf(one, one)) / alone).toBeCloseTo(2, 6)
    expect(sum(bandsOf(one, two)) / alone).toBeCloseTo(2, 6)
    expect(sum(bandsOf(NOTHING))).toBe(0)
  })
})

/** Energies in some bands, by number. */
const energies = (of: Readonly<Record<number, number>>) => Array.from({ length: BANDS }, (_, i) => of[i] ?? 0)

describe('who is in the way', () => {
  it('is the loudest of those who lie more than 6 dB over the lead, with the share that is covered and where', () => {
    const lead = energies({ 5: 1, 6: 1, 10: 2 })
    const others = new Map([
      ['box', energies({ 5: 8, 6: 8 })],
      ['harp', energies({ 5: 1, 10: 4 })],
    ])
    expect(inTheWay(lead, others)).toEqual([{ track: 'box', share: 0.5, low: 510, high: 770, back: 5 }])
  })

  it('is everybody who covers a tenth, the most first; nobody where the lead stands out or never sounds', () => {
    const lead = energies({ 2: 3, 8: 6, 12: 1 })
    const others = new Map([
      ['low', energies({ 2: 30 })],
      ['high', energies({ 8: 60 })],
    ])
    expect(inTheWay(lead, others).map(({ track, share }) => [track, share])).toEqual([
      ['high', 0.6],
      ['low', 0.3],
    ])
    expect(inTheWay(energies({ 2: 100 }), others)).toEqual([])
    expect(inTheWay(energies({}), others)).toEqual([])
  })

  it('can be met by the lead, which comes forward as far as it takes', () => {
    const lead = energies({ 4: 1, 5: 1 })
    const two = new Map([
      ['one', energies({ 4: 12 })],
      ['other', energies({ 5: 12 })],
    ])
    // 12 times as strong is 10.8 dB; 6 dB of it are borne
    expect(comeForward(lead, two)).toBe(5)
    expect(comeForward(lead, new Map([['wall', energies({ 4: 1000 })]]))).toBeNull()
    expect(comeForward(lead, new Map())).toBeNull()
  })

  it('helps nobody by stepping back where another one lies there too, or where it would have to go for good', () => {
    const lead = energies({ 4: 1 })
    const two = new Map([
      ['one', energies({ 4: 50 })],
      ['other', energies({ 4: 40 })],
    ])
    expect(inTheWay(lead, two)[0]).toMatchObject({ track: 'one', back: null })
    expect(inTheWay(lead, new Map([['wall', energies({ 4: 1000 })]]))[0]!.back).toBeNull()
  })
})
