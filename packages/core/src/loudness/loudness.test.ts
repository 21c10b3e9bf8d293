import { describe, expect, it } from 'vitest'
import {
  energyOfLufs,
  kWeighting,
  LiveLoudness,
  LoudnessMeter,
  lufsOfEnergy,
  measureLoudness,
  TruePeak,
} from '.'

const RATE = 48_000
const amplitude = (dbfs: number) => 10 ** (dbfs / 20)

/** A sine of 1 kHz through levels given as [dBFS, seconds]; −Infinity is silence. */
function tone(rate: number, ...levels: readonly (readonly [number, number])[]): Float32Array {
  const parts = levels.map(([db, seconds]) => [amplitude(db), Math.round(seconds * rate)] as const)
  const out = new Float32Array(parts.reduce((sum, [, n]) => sum + n, 0))
  // ten of its waves are over in a hundredth of a second, which is so many samples at every rate that is tried
  const wave = new Float64Array(rate / 100).map((_, n) => Math.sin((2 * Math.PI * 1000 * n) / rate))
  let at = 0
  for (const [a, count] of parts) {
    for (let n = 0; n < count; n++, at++) out[at] = a * wave[at % wave.length]!
  }
  return out
}

const stereo = (x: Float32Array, rate = RATE) => measureLoudness(rate, [x, x])
const repeated = <T>(times: number, ...items: T[]): T[] => Array.from({ length: times }, () => items).flat()

describe('EBU Tech 3341, loudness', () => {
  it.each([44_100, 48_000, 96_000])('cases 1 and 2: a steady tone, at %i Hz', (rate) => {
    for (const level of [-23, -33]) {
      const { integrated, momentary, shortTerm } = stereo(tone(rate, [level, 20]), rate)
      for (const value of [integrated!, momentary[100]!, shortTerm[100]!])
        expect(Math.abs(value - level)).toBeLessThan(0.1)
    }
  })

  it.each<[string, [number, number][]]>([
    [
      '3',
      [
        [-36, 10],
        [-23, 60],
        [-36, 10],
      ],
    ],
    [
      '4',
      [
        [-72, 10],
        [-36, 10],
        [-23, 60],
        [-36, 10],
        [-72, 10],
      ],
    ],
    [
      '5',
      [
        [-26, 20],
        [-20, 20.1],
        [-26, 20],
      ],
    ],
  ])('case %s: the gates', (_, levels) => {
    expect(Math.abs(stereo(tone(RATE, ...levels)).integrated! + 23)).toBeLessThan(0.1)
  })

  it('case 6: five channels, the surround ones weighted', () => {
    const meter = new LoudnessMeter(RATE, 5)
    const [front, centre, back] = [-28, -24, -30].map((db) => tone(RATE, [db, 20])) as [
      Float32Array,
      Float32Array,
      Float32Array,
    ]
    meter.push(front, front, centre, back, back)
    expect(Math.abs(meter.finish().integrated! + 23)).toBeLessThan(0.1)
  })

  it('case 9: short-term loudness of a pattern that fits three seconds', () => {
    const { shortTerm } = stereo(tone(RATE, ...repeated<[number, number]>(5, [-20, 1.34], [-30, 1.66])))
    for (let n = 30; n < shortTerm.length; n++) expect(Math.abs(shortTerm[n]! + 23)).toBeLessThan(0.1)
  })

  it.each(Array.from({ length: 20 }, (_, i) => i))(
    'case 10, segment %i: three seconds wherever they begin',
    (i) => {
      const { shortTerm } = stereo(tone(RATE, [-Infinity, i * 0.15], [-23, 3], [-Infinity, 1]))
      expect(Math.abs(Math.max(...shortTerm) + 23)).toBeLessThan(0.1)
    },
  )

  it('case 12: momentary loudness of a pattern that fits 400 ms', () => {
    const { momentary } = stereo(tone(RATE, ...repeated<[number, number]>(25, [-20, 0.18], [-30, 0.22])))
    for (let n = 10; n < momentary.length; n++) expect(Math.abs(momentary[n]! + 23)).toBeLessThan(0.1)
  })
})

/** Highest true peak of one channel in dBTP. */
function truePeak(samples: Float32Array): number {
  const peak = new TruePeak()
  peak.push(samples, 0, samples.length)
  peak.finish()
  return 20 * Math.log10(peak.peak)
}

/** A sine at a fraction of the sample rate, faded in and out so that no edge rings. */
function sine(divisor: number, degrees: number, level: number): Float32Array {
  const frames = 48_000
  return new Float32Array(frames).map((_, n) => {
    const edge = Math.min(1, n / 4800, (frames - 1 - n) / 4800)
    return level * edge * Math.sin((2 * Math.PI * n) / divisor + (degrees * Math.PI) / 180)
  })
}

describe('EBU Tech 3341, true peak', () => {
  it.each([
    [15, 4, 0, 0.5, -6],
    [16, 4, 45, 0.5, -6],
    [17, 6, 60, 0.5, -6],
    [18, 8, 67.5, 0.5, -6],
    [19, 4, 45, 1.41, 3],
  ])('case %i: a sine at a %i-th of the rate, %f degrees', (_, divisor, degrees, level, expected) => {
    const found = truePeak(sine(divisor, degrees, level))
    expect(found).toBeLessThanOrEqual(expected + 0.2)
    expect(found).toBeGreaterThanOrEqual(expected - 0.4)
  })

  it.each([0, 1, 2, 3])(
    'case %i of 20 to 23: one loud period, made at four times the rate and thinned',
    (offset) => {
      // a quiet tone at a sixth of the rate with a smooth swell to full scale, at four times the rate
      const fine = new Float64Array(4 * 4800).map((_, n) => {
        const swell = Math.exp(-(((n - 9600) / 260) ** 2))
        return (
          (0.5 + 0.5 * swell) *
          Math.sin((2 * Math.PI * (n - 9600)) / 24 + Math.PI / 2) *
          Math.min(1, n / 2000, (19_199 - n) / 2000)
        )
      })
      const found = truePeak(new Float32Array(4800).map((_, n) => fine[4 * n + offset]!))
      expect(found).toBeLessThanOrEqual(0.2)
      expect(found).toBeGreaterThanOrEqual(-0.4)
    },
  )

  it('passes over nothing: chunk by chunk it finds what one pass finds', () => {
    const noise = new Float32Array(9000).map((_, n) => (Math.sin(n * n * 0.001) * (n % 1700)) / 1700)
    const whole = truePeak(noise)
    const pieces = new TruePeak()
    for (let n = 0; n < noise.length; n += 333) pieces.push(noise, n, Math.min(noise.length, n + 333))
    pieces.finish()
    expect(20 * Math.log10(pieces.peak)).toBeCloseTo(whole, 12)
  })
})

describe('EBU Tech 3342, range', () => {
  it.each<[string, [number, number][], number]>([
    [
      '1',
      [
        [-20, 20],
        [-30, 20],
      ],
      10,
    ],
    [
      '2',
      [
        [-20, 20],
        [-15, 20],
      ],
      5,
    ],
    [
      '3',
      [
        [-40, 20],
        [-20, 20],
      ],
      20,
    ],
    [
      '4',
      [
        [-50, 20],
        [-35, 20],
        [-20, 20],
        [-35, 20],
        [-50, 20],
      ],
      15,
    ],
  ])('case %s', (_, levels, range) => {
    expect(Math.abs(stereo(tone(RATE, ...levels)).range - range)).toBeLessThan(0.1)
  })
})

describe('the meter', () => {
  it('has the coefficients that the standard gives for 48 kHz', () => {
    const { shelf, highPass } = kWeighting(48_000)
    expect(shelf.b0).toBeCloseTo(1.53512485958697, 6)
    expect(shelf.a1).toBeCloseTo(-1.69065929318241, 6)
    expect(highPass.a1).toBeCloseTo(-1.99004745483398, 6)
    expect(highPass.a2).toBeCloseTo(0.99007225036621, 6)
  })

  it('says null for silence and for less than 400 ms', () => {
    expect(stereo(new Float32Array(RATE)).integrated).toBeNull()
    expect(stereo(tone(RATE, [-20, 0.39])).integrated).toBeNull()
    expect(stereo(new Float32Array(RATE))).toMatchObject({ range: 0, truePeak: -Infinity })
  })

  it('counts mono as one channel, 3 dB below the same on both sides', () => {
    const x = tone(RATE, [-20, 2])
    expect(measureLoudness(RATE, [x]).integrated! - stereo(x).integrated!).toBeCloseTo(-3.0103, 3)
  })

  it('gives an entry every 100 ms, each for the window that ends there, with zeros before the start', () => {
    const { momentary } = stereo(tone(RATE, [-23, 1]))
    expect(momentary).toHaveLength(10)
    expect(momentary[0]! - momentary[5]!).toBeCloseTo(10 * Math.log10(1 / 4), 1)
  })

  it('does not care in what pieces the sound comes', () => {
    const x = tone(44_100, [-30, 1], [-18, 2])
    const meter = new LoudnessMeter(44_100, 2)
    for (let n = 0; n < x.length; n += 777) meter.push(x.subarray(n, n + 777), x.subarray(n, n + 777))
    const pieces = meter.finish()
    const whole = measureLoudness(44_100, [x, x])
    expect(pieces.integrated).toBeCloseTo(whole.integrated!, 9)
    expect(pieces.truePeak).toBeCloseTo(whole.truePeak, 9)
  })

  it('reads the same live', () => {
    const x = tone(44_100, [-23, 2])
    const live = new LiveLoudness(44_100)
    for (let n = 0; n + 128 <= x.length; n += 128) live.push(x.subarray(n, n + 128), x.subarray(n, n + 128))
    expect(lufsOfEnergy(live.energy)).toBeCloseTo(-23, 1)
    // of the last three seconds only two sounded
    expect(lufsOfEnergy(live.shortTerm)).toBeCloseTo(-23 + 10 * Math.log10(2 / 3), 0)
  })

  it('turns energies into LUFS and back', () => {
    expect(lufsOfEnergy(energyOfLufs(-18.3))).toBeCloseTo(-18.3, 12)
    expect(lufsOfEnergy(0)).toBe(-Infinity)
  })
})
