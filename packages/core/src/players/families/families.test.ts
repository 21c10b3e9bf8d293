import { describe, expect, it } from 'vitest'
import { featuresOf, spectrum, type Features } from '../../../test/features'
import type { PlayerName } from '../../song'
import { INSTRUMENTS } from '../instruments'
import { hz, RATE } from '../note'
import { playerFor } from '../general-midi'
import { STROKES } from './kit/strokes'
import { bendCurve } from '../voices/bend-curve'

/** One note of a second, as it is played. */
function note(player: PlayerName, pitch: number, strength = 0.75, seconds = 1): Float32Array {
  return INSTRUMENTS[player]([{ start: 0, seconds, pitch, strength }], Math.round((seconds + 0.4) * RATE))[0]!
}

/** @returns NaN where a sample is none */
function loudest(sound: Float32Array): number {
  let most = 0
  for (let n = 0; n < sound.length; n++) most = Math.max(most, Math.abs(sound[n]!))
  return most
}

type Range = readonly [least: number, most: number]
interface Family {
  readonly player: PlayerName
  readonly pitch: number
  /** Where the ranges are from. */
  readonly source: string
  readonly ranges: Readonly<Partial<Record<keyof Features, Range>>>
}

const STRUCK: Range = [0, 0.03]
const HELD: Range = [-3, 5]

/** What a family is known by. Frequencies in Hz, times in seconds, falls and evens in dB, shares 0…1. */
const FAMILIES: Readonly<Record<string, Family>> = {
  piano: {
    player: 'piano',
    pitch: 60,
    source:
      'Fletcher, Blackham and Stratton 1962: B near 4e-4 at middle C; Fletcher and Rossing 1998, ch. 12',
    ranges: {
      attack: STRUCK,
      falls: [5, 25],
      stretch: [2e-4, 8e-4],
      centroid: [500, 1800],
      first: [0.03, 0.6],
    },
  },
  'mallets of steel': {
    player: 'steelBars',
    pitch: 72,
    source: 'Fletcher and Rossing 1998, ch. 19: modes of a free bar at 2.76 and 5.40 are no harmonics',
    ranges: { attack: STRUCK, falls: [4, 40], noise: [0.03, 0.5] },
  },
  'mallets of wood': {
    player: 'woodenBars',
    pitch: 60,
    source: 'Fletcher and Rossing 1998, ch. 19: over in half a second',
    ranges: { attack: STRUCK, falls: [18, 70] },
  },
  organ: {
    player: 'wheelOrgan',
    pitch: 60,
    source: 'Held as long as the key (Meyer 2009, ch. 3)',
    ranges: { attack: [0, 0.06], falls: [-3, 2.5], noise: [0, 0.02], centroid: [400, 1500] },
  },
  'reed organ': {
    player: 'reedOrgan',
    pitch: 60,
    source: 'Free reeds: rich in harmonics (Fletcher and Rossing 1998, ch. 13)',
    ranges: { falls: HELD, first: [0.1, 0.75], centroid: [600, 1800] },
  },
  guitar: {
    player: 'nylonGuitar',
    pitch: 52,
    source: 'Fletcher and Rossing 1998, ch. 9: plucked, a decay of seconds',
    ranges: { attack: STRUCK, falls: [4, 25], stretch: [-1e-5, 1e-4], first: [0.1, 0.85] },
  },
  bass: {
    player: 'fingerBass',
    pitch: 40,
    source: 'Energy below 500 Hz (Meyer 2009, ch. 3)',
    ranges: { attack: STRUCK, falls: [3, 25], centroid: [80, 420], first: [0.2, 0.9] },
  },
  fiddle: {
    player: 'fiddle',
    pitch: 60,
    source:
      'Meyer 2009, ch. 3: attacks of 30 to 300 ms; Woodhouse 2014: little below 280 Hz, a hill above 2 kHz',
    ranges: { attack: [0.03, 0.3], falls: HELD, first: [0.05, 0.6], centroid: [550, 2500] },
  },
  strings: {
    player: 'section',
    pitch: 60,
    source: 'A section speaks more slowly than one player (Meyer 2009, ch. 3)',
    ranges: { attack: [0.08, 0.5], first: [0.05, 0.7], centroid: [500, 2500] },
  },
  trumpet: {
    player: 'trumpet',
    pitch: 60,
    source: 'Risset and Mathews 1969; attacks of 20 to 80 ms',
    ranges: { attack: [0.015, 0.09], falls: HELD, first: [0.05, 0.5], centroid: [600, 2200] },
  },
  clarinet: {
    player: 'clarinet',
    pitch: 55,
    source: 'Benade 1976, ch. 22: a closed cylinder has hardly any even harmonics',
    ranges: { evens: [-60, -8], falls: HELD, attack: [0.015, 0.12] },
  },
  oboe: {
    player: 'oboe',
    pitch: 60,
    source: 'Meyer 2009, ch. 3: formants near 1.1 and 2.7 kHz, a weak first harmonic',
    ranges: { first: [0, 0.3], centroid: [900, 2200], falls: HELD },
  },
  flute: {
    player: 'flute',
    pitch: 72,
    source: 'Fletcher and Rossing 1998, ch. 16: nearly all in the first harmonics, breath some 20 dB below',
    ranges: { first: [0.6, 0.99], noise: [0.001, 0.08], attack: [0.02, 0.2], falls: HELD },
  },
  choir: {
    player: 'choir',
    pitch: 60,
    source: 'Fant 1960: "ah" is strong near 730 and 1,090 Hz',
    ranges: { centroid: [600, 1300], first: [0, 0.4], attack: [0.05, 0.35] },
  },
  'saw lead': {
    player: 'sawLead',
    pitch: 60,
    source: 'A saw has 61 % of its energy in the first harmonic, and all harmonics',
    ranges: { first: [0.2, 0.62], evens: [-8, 3], attack: [0, 0.04] },
  },
  'square lead': {
    player: 'squareLead',
    pitch: 60,
    source: 'A square has odd harmonics alone',
    ranges: { evens: [-200, -40], attack: [0, 0.04] },
  },
  pad: {
    player: 'warmPad',
    pitch: 60,
    source: 'Slow to come, dull',
    ranges: { attack: [0.12, 0.8], centroid: [200, 900] },
  },
  'plucked lutes': {
    player: 'longNeck',
    pitch: 60,
    source: 'A hard plectrum near the bridge (Fletcher and Rossing 1998, ch. 9)',
    ranges: { attack: STRUCK, falls: [10, 60], centroid: [550, 2500], first: [0, 0.5] },
  },
  'steel pan': {
    player: 'steelPan',
    pitch: 60,
    source: 'Fletcher and Rossing 1998, ch. 20: partials tuned 1 : 2 : 3',
    ranges: { attack: STRUCK, falls: [6, 40], evens: [-8, 8] },
  },
  kettledrum: {
    player: 'kettles',
    pitch: 45,
    source: 'Fletcher and Rossing 1998, ch. 18: modes at 1.5 and 2.44 are no harmonics of the strike tone',
    ranges: { attack: STRUCK, noise: [0.08, 0.6], falls: [4, 30] },
  },
  'sea and wind': { player: 'seaAndWind', pitch: 60, source: 'Noise', ranges: { noise: [0.6, 1] } },
}

describe('a family of General MIDI', () => {
  it.each(Object.entries(FAMILIES))('is known by its sound: %s', (_, { player, pitch, ranges }) => {
    const features = featuresOf(note(player, pitch), hz(pitch))
    for (const [name, [least, most]] of Object.entries(ranges)) {
      const value = features[name as keyof Features]
      expect(value, name).toBeGreaterThanOrEqual(least)
      expect(value, name).toBeLessThanOrEqual(most)
    }
  })

  it('opens where brass is blown harder (Risset and Mathews 1969)', () => {
    const centroid = (strength: number) => featuresOf(note('trumpet', 60, strength), hz(60)).centroid
    expect(centroid(0.95) / centroid(0.3)).toBeGreaterThan(1.5)
  })

  it('has every program in an instrument that sounds, and stops', () => {
    const players = new Set(Array.from({ length: 128 }, (_, program) => playerFor(program, false).player))
    for (const player of players) {
      const sound = INSTRUMENTS[player]([{ start: 0, seconds: 0.3, pitch: 55, strength: 0.8 }], 10 * RATE)[0]!
      expect(loudest(sound.subarray(0, 0.3 * RATE)), player).toBeGreaterThan(0.05)
      expect(loudest(sound.subarray(9.5 * RATE)), player).toBeLessThan(0.005)
    }
  })

  it('is in tune, and follows a bend', () => {
    const bend = bendCurve([[0, 2]], 2 * RATE)!
    for (const player of ['piano', 'nylonGuitar', 'fiddle', 'sawLead', 'flute', 'fingerBass'] as const) {
      const peakAt = (sound: Float32Array) => {
        const bins = spectrum(sound, Math.round(0.1 * RATE), 32_768)
        // the strongest place near the first harmonic
        const [lo, hi] = [200, 320].map((f) => Math.round((f * 32_768) / RATE)) as [number, number]
        let best = lo
        for (let i = lo; i < hi; i++) if (bins[i]! > bins[best]!) best = i
        return (best * RATE) / 32_768
      }
      const plain = { start: 0, seconds: 1.2, pitch: 60, strength: 0.8 }
      const straight = peakAt(INSTRUMENTS[player]([plain], 2 * RATE)[0]!)
      const bent = peakAt(INSTRUMENTS[player]([plain], 2 * RATE, bend)[0]!)
      expect(Math.abs(straight / hz(60) - 1), player).toBeLessThan(0.008)
      expect(Math.abs(bent / hz(62) - 1), player).toBeLessThan(0.008)
    }
  })
})

describe('a note that slides', () => {
  it('is between both pitches on its way and in tune when it is there', () => {
    for (const player of ['piano', 'nylonGuitar', 'fiddle', 'sawLead', 'flute', 'fingerBass'] as const) {
      const sliding = { start: 0, seconds: 1.6, pitch: 60, strength: 0.8, slide: { from: 67, seconds: 0.6 } }
      const sound = INSTRUMENTS[player]([sliding], 2 * RATE)[0]!
      const strongest = (seconds: number) => {
        const bins = spectrum(sound, Math.round(seconds * RATE), 8_192)
        const [lo, hi] = [200, 450].map((f) => Math.round((f * 8_192) / RATE)) as [number, number]
        let best = lo
        for (let i = lo; i < hi; i++) if (bins[i]! > bins[best]!) best = i
        return (best * RATE) / 8_192
      }
      const [early, late] = [strongest(0.1), strongest(0.8)]
      expect(early, player).toBeGreaterThan(hz(62))
      expect(early, player).toBeLessThan(hz(67))
      expect(Math.abs(late / hz(60) - 1), player).toBeLessThan(0.02)
    }
  })
})

describe('the drum kit', () => {
  const hit = (pitch: number) => note('kit', pitch, 0.9)
  const middle = (sound: Float32Array) => {
    const bins = spectrum(sound, 0)
    const total = bins.reduce((a, b) => a + b, 0)
    return bins.reduce((a, b, i) => a + (b * i * RATE) / 16_384, 0) / total
  }
  const fallsTo = (sound: Float32Array, seconds: number) => {
    const energy = (from: number) =>
      sound.subarray(from * RATE, (from + 0.05) * RATE).reduce((a, x) => a + x * x, 0)
    return 10 * Math.log10(energy(seconds) / energy(0) + 1e-12)
  }

  it('has a kick with a body, a snare that rattles, hats that hiss, cymbals that ring', () => {
    expect(middle(hit(36))).toBeLessThan(250)
    expect(middle(hit(38))).toBeGreaterThan(400)
    expect(middle(hit(38))).toBeLessThan(3500)
    expect(middle(hit(42))).toBeGreaterThan(6000)
    expect(middle(hit(49))).toBeGreaterThan(3500)
    // toms fall from the floor up
    const toms = [41, 43, 45, 47, 48, 50].map((p) => middle(hit(p)))
    expect([...toms].sort((a, b) => a - b)).toEqual(toms)
    expect(fallsTo(hit(42), 0.3)).toBeLessThan(-40)
    expect(fallsTo(hit(49), 0.5)).toBeGreaterThan(-30)
  })

  it('has a stroke for every key of the map, none silent and none much louder than a kick', () => {
    const kick = loudest(hit(36))
    for (const key of Object.keys(STROKES).map(Number)) {
      expect(loudest(hit(key)), String(key)).toBeGreaterThan(kick * 0.05)
      expect(loudest(hit(key)), String(key)).toBeLessThan(kick * 1.6)
    }
  })

  it('shuts an open hi-hat with the foot', () => {
    const open = { start: 0, seconds: 0.1, pitch: 46, strength: 0.9 }
    const shut = { start: 0.15, seconds: 0.1, pitch: 44, strength: 0.1 }
    const [alone] = INSTRUMENTS.kit([open], RATE)
    const [choked] = INSTRUMENTS.kit([open, shut], RATE)
    expect(fallsTo(choked!, 0.3)).toBeLessThan(fallsTo(alone!, 0.3) - 15)
  })
})
