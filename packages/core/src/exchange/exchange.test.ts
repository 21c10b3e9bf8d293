import fc from 'fast-check'
import { stemName } from './stem-name'
import { describe, expect, it } from 'vitest'
import { overviewOf, packOverview, quantise, readWav, unpackOverview, writeWav } from '.'

describe('WAV', () => {
  it('gives 16 bit samples back, mono and stereo', () => {
    const samples = fc.array(fc.integer({ min: -32_767, max: 32_767 }), { minLength: 1, maxLength: 300 })
    fc.assert(
      fc.property(samples, fc.constantFrom<1 | 2>(1, 2), (raw, count) => {
        const channel = Float32Array.from(raw, (v) => v / 32_767)
        const { rate, channels } = readWav(writeWav(44_100, Array<Float32Array>(count).fill(channel)))
        expect(rate).toBe(44_100)
        expect(channels).toHaveLength(count)
        for (const c of channels) expect(Array.from(c, (v) => Math.round(v * 32_768))).toEqual(raw)
      }),
    )
  })

  it('clips what is over full scale', () => {
    expect([quantise(2), quantise(-2), quantise(0)]).toEqual([32_767, -32_768, 0])
  })

  it('refuses what is no WAV, or damaged, with a sentence', () => {
    const good = writeWav(44_100, [new Float32Array(100)])
    expect(() => readWav(new Uint8Array(3))).toThrow('not a WAV')
    expect(() => readWav(good.subarray(0, 30))).toThrow(RangeError)
    const eightBit = good.slice()
    eightBit[34] = 8
    expect(() => readWav(eightBit)).toThrow('16, 24 or 32 bit')
    expect(readWav(good.subarray(0, 100)).channels[0]).toHaveLength(28)
  })

  it('never fails otherwise, whatever the bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 120 }), (noise) => {
        const bytes = writeWav(8000, [new Float32Array(20)])
        bytes.set(noise.subarray(0, bytes.length - 12), 12)
        try {
          readWav(bytes)
        } catch (error) {
          expect(error).toBeInstanceOf(RangeError)
        }
      }),
    )
  })
})

describe('waveform overview', () => {
  const channels = [0, 1].map((side) => new Int16Array(5000).map((_, n) => (n === 777 + side ? 25_600 : -n)))

  it('keeps the highest and lowest sample at every zoom', () => {
    const { zooms, step } = overviewOf(channels)
    expect(zooms).toHaveLength(6)
    zooms.forEach((pairs, zoom) => {
      const i = Math.floor(777 / (step * 2 ** zoom))
      expect(pairs[2 * i + 1]).toBe(100)
      expect(Math.min(...pairs)).toBe(-20)
    })
  })

  it('is packed and unpacked, and a damaged one is refused', () => {
    const overview = overviewOf(channels)
    expect(unpackOverview(packOverview(overview), 5000)).toEqual(overview)
    expect(() => unpackOverview(packOverview(overview).subarray(0, 30), 5000)).toThrow(RangeError)
  })
})

describe('the name of a stem', () => {
  it('is one that every system takes, in the order of the tracks', () => {
    expect(stemName(0, 'Squeezebox')).toBe('01 Squeezebox.wav')
    expect(stemName(11, 'Stimme für Åse')).toBe('12 Stimme für Åse.wav')
    expect(stemName(1, '../../etc/passwd')).toBe('02 etcpasswd.wav')
    expect(stemName(2, ' ?*<>| ')).toBe('03 track.wav')
  })
})
