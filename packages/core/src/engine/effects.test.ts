import { EFFECTS, EFFECT_KINDS, type EffectKind, controlsOf, modesOf } from '../effects'
import { describe, expect, it } from 'vitest'
import { point, type Points } from '../envelope'
import { plainMix, withPoints, type Effect, type Mix, type ReturnMix, type Send } from '../mix'
import type { SongVersion } from '../song'
import { SAMPLE_RATE } from '../time'
import { same } from '../../test/samples'
import { audioFor, smallSong } from '../../test/songs'
import { compileMix, Player, render, BLOCK } from '.'
import {
  chopperOpening,
  CHOPPER_PATTERNS,
  delayRepeats,
  eqResponse,
  filterResponse,
  flangerDelay,
  reverbDecay,
} from '../effects/sound'

const song = smallSong(8)
/** Where the impulse sounds: at the start of a block, well into the song. */
const HIT = 128 * 40
const FULL = 32_767 / 32_768
const impulse = audioFor(
  song,
  (n) => (n === HIT ? 32_767 : 0),
  (n) => (n === HIT ? 32_767 : 0),
)

function effect(kind: EffectKind, params: Record<string, number> = {}, more: Partial<Effect> = {}): Effect {
  const initial = Object.fromEntries(Object.entries(controlsOf(kind)).map(([word, c]) => [word, c.initial]))
  const mode = modesOf(kind)[0]
  return {
    id: `fx-${kind}`,
    kind,
    name: '',
    bypass: false,
    wet: 1,
    mode,
    params: { ...initial, ...params },
    ...more,
  }
}

/** A mix with effects on the stereo pad alone; the mono reed is muted. */
function padWith(effects: readonly Effect[], of: SongVersion = song): Mix {
  const plain = plainMix(of)
  return {
    ...plain,
    tracks: plain.tracks.map((t) => (t.id === 'pad' ? { ...t, effects } : { ...t, mute: true })),
  }
}

const out = (mix: Mix, audio = impulse, of = song) => render(compileMix(of, mix), audio)!

/** Response at a frequency in dB of what comes out after the hit. */
function responseAt(samples: Float32Array, frequency: number, length = 40_000): number {
  let re = 0
  let im = 0
  for (let n = 0; n < length; n++) {
    const turn = (2 * Math.PI * frequency * n) / SAMPLE_RATE
    re += samples[HIT + n]! * Math.cos(turn)
    im -= samples[HIT + n]! * Math.sin(turn)
  }
  return 20 * Math.log10(Math.hypot(re, im) / FULL)
}

/** Response of a biquad in dB, worked out apart from the engine. */
function biquadAt(b: readonly number[], a: readonly number[], frequency: number): number {
  const w = (2 * Math.PI * frequency) / SAMPLE_RATE
  const size = (c: readonly number[]) =>
    Math.hypot(
      c.reduce((s, v, k) => s + v * Math.cos(k * w), 0),
      c.reduce((s, v, k) => s + v * Math.sin(k * w), 0),
    )
  return 20 * Math.log10(size(b) / size(a))
}

const FREQUENCIES = [30, 80, 200, 500, 1000, 1300, 3000, 8000, 15_000]

describe('EQ', () => {
  it('has the response of the cookbook’s bell', () => {
    const { left } = out(padWith([effect('eq', { bellFrequency: 1000, bellGain: 9, bellQ: 2 })]))
    const A = 10 ** (9 / 40)
    const w = (2 * Math.PI * 1000) / SAMPLE_RATE
    const alpha = Math.sin(w) / 4
    for (const f of FREQUENCIES) {
      const expected = biquadAt(
        [1 + alpha * A, -2 * Math.cos(w), 1 - alpha * A],
        [1 + alpha / A, -2 * Math.cos(w), 1 - alpha / A],
        f,
      )
      expect(responseAt(left, f)).toBeCloseTo(expected, 2)
    }
  })

  it.each([
    ['low', 'lowGain', 'lowFrequency', 300, 1],
    ['high', 'highGain', 'highFrequency', 4000, -1],
  ] as const)('has the response of the cookbook’s %s shelf', (_, gain, frequency, at, turn) => {
    const { left } = out(padWith([effect('eq', { [gain]: -8, [frequency]: at })]))
    const A = 10 ** (-8 / 40)
    const w = (2 * Math.PI * at) / SAMPLE_RATE
    const cos = Math.cos(w) * turn
    const root = 2 * Math.sqrt(A) * Math.sin(w) * Math.SQRT1_2
    const b = [
      A * (A + 1 - (A - 1) * cos + root),
      turn * 2 * A * (A - 1 - (A + 1) * cos),
      A * (A + 1 - (A - 1) * cos - root),
    ]
    const a = [
      A + 1 + (A - 1) * cos + root,
      turn * -2 * (A - 1 + (A + 1) * cos),
      A + 1 + (A - 1) * cos - root,
    ]
    for (const f of FREQUENCIES) expect(responseAt(left, f)).toBeCloseTo(biquadAt(b, a, f), 2)
  })
})

describe('filter', () => {
  const filtered = (mode: string, frequency: number, resonance = Math.SQRT1_2) =>
    out(padWith([effect('filter', { frequency, resonance }, { mode })])).left

  it('is 3 dB down at its frequency and falls by 12 dB an octave', () => {
    const low = filtered('low-pass', 500)
    expect(responseAt(low, 500)).toBeCloseTo(-3.01, 1)
    expect(responseAt(low, 50)).toBeCloseTo(0, 1)
    expect(responseAt(low, 2000) - responseAt(low, 4000)).toBeCloseTo(12, 0)
    const high = filtered('high-pass', 2000)
    expect(responseAt(high, 2000)).toBeCloseTo(-3.01, 1)
    expect(responseAt(high, 250) - responseAt(high, 125)).toBeCloseTo(12, 0)
  })

  it('peaks by its resonance, and a band-pass lets its middle through', () => {
    expect(responseAt(filtered('low-pass', 800, 4), 800)).toBeCloseTo(20 * Math.log10(4), 1)
    const band = filtered('band-pass', 1000, 2)
    expect(responseAt(band, 1000)).toBeCloseTo(0, 1)
    expect(responseAt(band, 100)).toBeLessThan(-15)
  })

  it('sweeps without steps: no jump in the sound of a steady tone', () => {
    const tone = audioFor(
      song,
      () => 0,
      (n) => Math.round(16_000 * Math.sin((2 * Math.PI * 220 * n) / SAMPLE_RATE)),
    )
    const sweep: Points = [point(0, 20_000), point(3840, 60), point(7680, 20_000), point(7700, 100)]
    const mix = withPoints(padWith([effect('filter')]), 'effect/fx-filter/frequency', sweep, () => 'sweep')
    const { left } = out(mix, tone)
    let bend = 0
    for (let n = 2; n < left.length; n++)
      bend = Math.max(bend, Math.abs(left[n]! - 2 * left[n - 1]! + left[n - 2]!))
    // the tone itself bends by 0.5·(2π·220/44100)² ≈ 0.0005 a sample
    expect(bend).toBeLessThan(0.02)
  })
})

describe('the picture of an effect', () => {
  it('shows what an EQ does', () => {
    const fx = effect('eq', { lowGain: 5, bellGain: -7, bellQ: 3, bellFrequency: 700, highGain: 4 })
    const { left } = out(padWith([fx]))
    for (const f of FREQUENCIES) expect(eqResponse(fx.params, f)).toBeCloseTo(responseAt(left, f), 1)
  })

  it.each(EFFECTS.filter.modes)('shows what a %s filter does', (mode) => {
    const fx = effect('filter', { frequency: 900, resonance: 3 }, { mode })
    const { left } = out(padWith([fx]))
    for (const f of FREQUENCIES)
      expect(filterResponse(mode, fx.params, f)).toBeCloseTo(responseAt(left, f), 1)
    expect(filterResponse('low-pass', { frequency: 20_000, resonance: 3 }, 5000)).toBeCloseTo(0, 9)
  })

  it('shows where a delay repeats, and how softly', () => {
    const fx = effect('delay', { note: 480, feedback: 0.5, sideToSide: 1 }, { mode: 'note' })
    const repeats = delayRepeats('note', fx.params, 120)
    expect(repeats.slice(0, 3)).toEqual([
      { quarters: 0.5, gain: 1, side: -1 },
      { quarters: 1, gain: 0.5, side: 1 },
      { quarters: 1.5, gain: 0.25, side: -1 },
    ])
    expect(repeats).toHaveLength(7)
    const { left, right } = out(padWith([fx]))
    for (const { quarters, gain, side } of repeats) {
      const samples = side < 0 ? left : right
      expect(Math.abs(samples[HIT + quarters * 22_050]!)).toBeCloseTo(gain * FULL, 2)
    }
    expect(delayRepeats('time', effect('delay', { time: 250, feedback: 0 }).params, 120)).toEqual([
      { quarters: 0.5, gain: 1, side: 0 },
    ])
  })

  it('shows how a reverb dies away', () => {
    const settings = effect('reverb', { preDelay: 50, decay: 1000 }).params
    expect(reverbDecay(settings, 40)).toBe(0)
    expect(reverbDecay(settings, 50)).toBe(1)
    expect(20 * Math.log10(reverbDecay(settings, 1050))).toBeCloseTo(-60, 6)
  })
})

describe('delay', () => {
  const delayed = (params: Record<string, number>, mode = 'time', of = song, audio = impulse) =>
    out(padWith([effect('delay', { lowCut: 20, highCut: 20_000, ...params }, { mode })], of), audio, of)

  it('repeats to the sample, each time softer by the feedback', () => {
    const { left } = delayed({ time: 250, feedback: 0.5 })
    const gap = 0.25 * SAMPLE_RATE
    for (let k = 1; k <= 5; k++) {
      expect(left[HIT + k * gap]).toBeCloseTo(FULL * 0.5 ** (k - 1), 5)
      expect(Math.abs(left[HIT + k * gap - 1]!)).toBe(0)
      expect(Math.abs(left[HIT + k * gap + 1]!)).toBe(0)
    }
  })

  it('takes note values from the tempo', () => {
    const { left } = delayed({ note: 480, feedback: 0 }, 'note')
    expect(left.findIndex((v, n) => n > HIT && v > 0.5)).toBe(HIT + SAMPLE_RATE / 4)
  })

  it('follows a tempo that changes in the middle of it, without a click', () => {
    const faster: SongVersion = {
      ...song,
      tempo: [
        { tick: 0, bpm: 120, form: 'hold' },
        { tick: 3840, bpm: 150, form: 'hold' },
      ],
    }
    const tone = audioFor(
      faster,
      () => 0,
      (n) => Math.round(12_000 * Math.sin((2 * Math.PI * 110 * n) / SAMPLE_RATE)),
    )
    const { left } = delayed({ note: 960, feedback: 0.4 }, 'note', faster, tone)
    let step = 0
    for (let n = SAMPLE_RATE; n < left.length; n++) step = Math.max(step, Math.abs(left[n]! - left[n - 1]!))
    expect(step).toBeLessThan(0.05)
  })

  it('goes from side to side', () => {
    const { left, right } = delayed({ time: 100, feedback: 0.6, sideToSide: 1 })
    const gap = 4410
    expect(left[HIT + gap]).toBeGreaterThan(0.5)
    expect(right[HIT + gap]).toBe(0)
    expect(left[HIT + 2 * gap]).toBe(0)
    expect(right[HIT + 2 * gap]).toBeGreaterThan(0.3)
  })

  it('cuts highs and lows in its loop, a little more each time', () => {
    const { left } = delayed({ time: 200, feedback: 0.7, highCut: 1500, lowCut: 200 })
    const peak = (k: number) =>
      Math.max(...left.subarray(HIT + k * 8820 - 50, HIT + k * 8820 + 400).map(Math.abs))
    expect(peak(1)).toBeLessThan(0.5)
    expect(peak(2) / peak(1)).toBeLessThan(0.7)
  })
})

describe('reverb', () => {
  it.each([600, 1500, 3000])(
    'falls by 60 dB in its decay time of %i ms (Schroeder’s integration)',
    (decay) => {
      const { left, right } = out(padWith([effect('reverb', { decay, damping: 0, preDelay: 0 })]))
      const energy = new Float64Array(left.length + 1)
      for (let n = left.length - 1; n >= HIT; n--) energy[n] = energy[n + 1]! + left[n]! ** 2 + right[n]! ** 2
      const db = (n: number) => 10 * Math.log10(energy[n]! / energy[HIT]!)
      const reaches = (level: number) => {
        let n = HIT
        while (db(n) > level) n++
        return n
      }
      const t60 = (2 * (reaches(-35) - reaches(-5)) * 1000) / SAMPLE_RATE
      expect(Math.abs(t60 / decay - 1)).toBeLessThan(0.1)
    },
  )

  it('loses high frequencies faster with damping, and waits for the pre-delay', () => {
    const late = (damping: number) => {
      const { left } = out(padWith([effect('reverb', { decay: 2000, damping })]))
      const part = left.subarray(HIT + 20_000, HIT + 60_000)
      let rough = 0
      let all = 0
      part.forEach((v, n) => {
        rough += n ? (v - part[n - 1]!) ** 2 : 0
        all += v * v
      })
      return rough / all
    }
    expect(late(1)).toBeLessThan(late(0) / 4)
    const { left } = out(padWith([effect('reverb', { preDelay: 100, size: 0 })]))
    const first = left.findIndex((v, n) => n > HIT && Math.abs(v) > 1e-4)
    expect(first - HIT).toBeGreaterThan(4410)
  })

  it('is about as loud whatever its decay', () => {
    const energy = (decay: number) =>
      out(padWith([effect('reverb', { decay, damping: 0 })])).left.reduce((sum, v) => sum + v * v, 0)
    expect(10 * Math.abs(Math.log10(energy(500) / energy(3000)))).toBeLessThan(3)
  })
})

describe('flanger', () => {
  it('has its notches where half a period fits the delay', () => {
    const { left } = out(padWith([effect('flanger', { depth: 0, feedback: 0 })]))
    const delay = flangerDelay(0.3, 0) / SAMPLE_RATE
    for (const k of [0, 1, 2]) {
      expect(responseAt(left, (2 * k + 1) / (2 * delay))).toBeLessThan(-35)
      expect(responseAt(left, (k + 1) / delay)).toBeGreaterThan(-0.6)
    }
  })

  it('sweeps around its middle', () => {
    expect(flangerDelay(0.25, 1)).toBeCloseTo(0.0055 * SAMPLE_RATE, 6)
    expect(flangerDelay(0.75, 1)).toBeCloseTo(0.0005 * SAMPLE_RATE, 6)
  })
})

describe('playing', () => {
  const LONG = 30_000
  /** A tone that begins at the hit and is held: 200 Hz and, a tenth as strong, 6 kHz. */
  const held = audioFor(
    song,
    () => 0,
    (n) => {
      const t = (n - HIT) / SAMPLE_RATE
      if (n < HIT) return 0
      return Math.round(9000 * Math.sin(400 * Math.PI * t) + 900 * Math.sin(12_000 * Math.PI * t))
    },
  )
  const touched = (params: Record<string, number>) => out(padWith([effect('playing', params)]), held).left
  const plain = touched({})
  /** Highest sample of a stretch after the hit, against the plain one in dB. */
  const against = (samples: Float32Array, from: number, to: number) => {
    const peak = (of: Float32Array) =>
      of.subarray(HIT + from, HIT + to).reduce((most, v) => Math.max(most, Math.abs(v)), 0)
    return 20 * Math.log10(peak(samples) / peak(plain))
  }
  const sharpOrDull = (samples: Float32Array, frequency: number) =>
    responseAt(samples, frequency, LONG) - responseAt(plain, frequency, LONG)

  it('is not there at rest', () => {
    expect(same(plain, out(padWith([]), held).left)).toBe(true)
  })

  it('softens or sharpens how a note begins, and leaves what is held', () => {
    const [soft, hard] = [touched({ attack: -1 }), touched({ attack: 1 })]
    expect(against(soft, 0, 400)).toBeLessThan(-12)
    expect(against(hard, 0, 1000)).toBeGreaterThan(6)
    for (const samples of [soft, hard]) expect(Math.abs(against(samples, 25_000, LONG))).toBeLessThan(0.6)
    // half as much is between the two
    const half = against(touched({ attack: -0.5 }), 0, 400)
    expect([half < -3, half > against(soft, 0, 400)]).toEqual([true, true])
  })

  it('makes what lies high brighter or darker, and leaves what lies low', () => {
    const [bright, dark] = [touched({ brightness: 1 }), touched({ brightness: -1 })]
    expect(sharpOrDull(bright, 6000)).toBeGreaterThan(8)
    expect(sharpOrDull(dark, 6000)).toBeLessThan(-12)
    for (const samples of [bright, dark]) expect(Math.abs(sharpOrDull(samples, 200))).toBeLessThan(1.2)
  })

  it('moves without a step', () => {
    const mix = withPoints(
      padWith([effect('playing')]),
      'effect/fx-playing/brightness',
      [point(0, -1), point(3840, 1)],
      () => 'line',
    )
    const { left } = out(mix, held)
    let largest = 0
    for (let n = HIT + 2; n < HIT + LONG; n++)
      largest = Math.max(largest, Math.abs(left[n]! - 2 * left[n - 1]! + left[n - 2]!))
    let usual = 0
    const bright = touched({ brightness: 1 })
    for (let n = HIT + 2; n < HIT + LONG; n++)
      usual = Math.max(usual, Math.abs(bright[n]! - 2 * bright[n - 1]! + bright[n - 2]!))
    expect(largest).toBeLessThanOrEqual(usual * 1.01)
  })
})

describe('chopper', () => {
  it('opens and shuts by its pattern, on the song’s sixteenths', () => {
    const steady = audioFor(
      song,
      () => 0,
      () => 16_384,
    )
    const { left } = out(padWith([effect('chopper', { variation: 1, smoothness: 0 })]), steady)
    const at = (step: number) => left[Math.round((step + 0.3) * (SAMPLE_RATE / 8))]!
    expect(Array.from({ length: 16 }, (_, i) => (at(i) > 0.4 ? 'x' : '.')).join('')).toBe(CHOPPER_PATTERNS[1])
  })

  it('turns without a jump', () => {
    let last = chopperOpening(CHOPPER_PATTERNS[0], 0, 0)
    for (let tick = 0; tick < 3840; tick++) {
      const now = chopperOpening(CHOPPER_PATTERNS[0], tick, 0)
      expect(Math.abs(now - last)).toBeLessThan(0.12)
      last = now
    }
  })
})

describe('what is changed while it sounds', () => {
  const tone = (n: number) => Math.round(12_000 * Math.sin((2 * Math.PI * 220 * n) / SAMPLE_RATE))
  const audio = audioFor(song, tone, tone)
  /** A tone of 220 Hz has second differences of so much of its height: whatever clicks has more. */
  const SMOOTH = (2 * Math.PI * 220) / SAMPLE_RATE

  /** Largest second difference against the height of the sound, around a jump of a parameter in the fourth second. */
  function roughness(kind: EffectKind, word: string, from: number, to: number, params = {}): number {
    const mix = withPoints(
      padWith([effect(kind, params)]),
      `effect/fx-${kind}/${word}`,
      [point(0, from, 'jump'), point(7680, to)],
      () => 'line',
    )
    const { left } = out(mix, audio)
    let high = 0
    let rough = 0
    for (let n = 3.9 * SAMPLE_RATE; n < 4.2 * SAMPLE_RATE; n++) {
      high = Math.max(high, Math.abs(left[n]!))
      rough = Math.max(rough, Math.abs(left[n]! - 2 * left[n - 1]! + left[n - 2]!))
    }
    return rough / high
  }

  it.each([
    ['reverb', 'decay', 300, 8000],
    ['reverb', 'damping', 0, 1],
    ['delay', 'feedback', 0, 0.9],
    ['flanger', 'feedback', 0, 0.9],
    ['eq', 'bellGain', -18, 18],
  ] as const)('%s: %s comes without a click', (kind, word, from, to) => {
    expect(roughness(kind, word, from, to)).toBeLessThan(SMOOTH * SMOOTH * 30)
  })
})

describe('every effect', () => {
  const noise = audioFor(
    song,
    () => 0,
    (n, side) => ((n * (7919 + side)) % 20_011) - 10_005,
  )
  const dry = out(padWith([]), noise)
  const difference = (mix: Mix) =>
    out(mix, noise).left.reduce((most, v, n) => Math.max(most, Math.abs(v - dry.left[n]!)), 0)

  it.each(EFFECT_KINDS)('%s is transparent to −120 dB when it is bypassed or dry', (kind) => {
    expect(difference(padWith([effect(kind, {}, { bypass: true })]))).toBeLessThan(1e-6)
    expect(difference(padWith([effect(kind, {}, { wet: 0 })]))).toBeLessThan(1e-6)
  })

  it('is transparent at its neutral settings', () => {
    expect(difference(padWith([effect('eq'), effect('filter', { frequency: 20_000 })]))).toBeLessThan(1e-6)
    expect(difference(padWith([effect('filter', { frequency: 20 }, { mode: 'high-pass' })]))).toBeLessThan(
      1e-6,
    )
    expect(difference(padWith([effect('chopper', { depth: 0 })]))).toBeLessThan(1e-6)
  })

  it.each(EFFECT_KINDS)(
    '%s falls silent at last, with no denormal number left, and starts afresh',
    (kind) => {
      const player = new Player(
        compileMix(song, padWith([effect(kind, kind === 'reverb' ? { decay: 300 } : {})])),
        impulse,
      )
      player.play()
      const left = new Float32Array(BLOCK)
      const right = new Float32Array(BLOCK)
      for (let i = 0; i < 2600; i++) {
        player.process(left, right)
        for (const v of left) if (v !== 0 && Math.abs(v) < 1e-37) throw new Error(`denormal in block ${i}`)
      }
      expect(Math.max(...left.map(Math.abs))).toBeLessThan(3e-5)
      player.seek(0)
      player.process(left, right)
      expect(left.every((v) => v === 0)).toBe(true)
    },
  )
})

describe('wet and bypass', () => {
  /** The delay is switched off by a line between the first and the second repeat. */
  const switchedOff = (word: 'wet' | 'bypass', value: number) => {
    const at = Math.round(((HIT + 15_000) / SAMPLE_RATE) * 1920)
    const start = word === 'wet' ? 1 : 0
    const mix = padWith([effect('delay', { time: 250, feedback: 0.6 })])
    return out(
      withPoints(
        mix,
        `effect/fx-delay/${word}`,
        [point(0, start, 'jump'), point(at, value, 'jump')],
        () => 'off',
      ),
    ).left
  }

  it('differ in what happens to the tail: bypass lets it ring, wet cuts it', () => {
    const second = HIT + 22_050
    expect(switchedOff('bypass', 1)[second]).toBeCloseTo(FULL * 0.6, 3)
    expect(switchedOff('wet', 0)[second]).toBe(0)
  })
})

describe('sends and returns', () => {
  const send = (id: string, to: string, more: Partial<Send> = {}): Send => ({
    id,
    to,
    level: 0,
    tap: 'post',
    on: true,
    ...more,
  })
  const back = (id: string, more: Partial<ReturnMix> = {}): ReturnMix => ({
    id,
    name: id,
    effects: [],
    mute: false,
    level: 0,
    pan: 0,
    sends: [],
    ...more,
  })
  const echo = (ms: number) => effect('delay', { time: ms, feedback: 0 })
  const sending = (sends: readonly Send[], returns: readonly ReturnMix[], track = {}): Mix => {
    const plain = padWith([])
    return {
      ...plain,
      tracks: plain.tracks.map((t) => (t.id === 'pad' ? { ...t, sends, ...track } : t)),
      returns,
    }
  }
  const at = (mix: Mix, ms: number) => out(mix).left[HIT + Math.round((ms * SAMPLE_RATE) / 1000)]!

  it('feed a return after the fader, or before it', () => {
    const returns = [back('echo', { effects: [echo(100)] })]
    const faderDown = { level: -90 }
    expect(at(sending([send('s', 'echo')], returns), 100)).toBeCloseTo(FULL, 5)
    expect(at(sending([send('s', 'echo')], returns, faderDown), 100)).toBe(0)
    expect(at(sending([send('s', 'echo', { tap: 'pre' })], returns, faderDown), 100)).toBeCloseTo(FULL, 5)
    expect(at(sending([send('s', 'echo', { level: -6.0206 })], returns), 100)).toBeCloseTo(FULL / 2, 4)
    expect(at(sending([send('s', 'echo', { on: false })], returns), 100)).toBe(0)
  })

  it('get nothing from a muted track, before the fader either', () => {
    const returns = [back('echo', { effects: [echo(100)] })]
    const both = [send('a', 'echo'), send('b', 'echo', { tap: 'pre' })]
    expect(at(sending(both, returns, { mute: true }), 100)).toBe(0)
  })

  it('lead on from a return to a later one', () => {
    const chain = [
      back('echo', { effects: [echo(100)], sends: [send('on', 'late', { level: -6.0206 })] }),
      back('late', { effects: [effect('delay', { time: 50, feedback: 0 }, { id: 'fx-late' })], pan: -1 }),
    ]
    const mix = sending([send('s', 'echo')], chain)
    expect(at(mix, 150)).toBeCloseTo(FULL / 2, 4)
    expect(out(mix).right[HIT + 6615]).toBe(0)
    const muted = sending([send('s', 'echo')], [{ ...chain[0]!, mute: true }, chain[1]!])
    expect([at(muted, 100), at(muted, 150)]).toEqual([0, 0])
  })

  it('ring on after the track has ended, and stay by its line', () => {
    const throwOne: Points = [point(0, 0, 'jump'), point(400, -90)]
    const mix = withPoints(
      sending([send('s', 'echo')], [back('echo', { effects: [echo(1500)] })]),
      'send/s/level',
      throwOne,
      () => 'throw',
    )
    expect(at(mix, 1500)).toBeCloseTo(FULL, 5)
    const closed: Points = [point(0, -90, 'jump'), point(400, 0)]
    const none = withPoints(
      sending([send('s', 'echo')], [back('echo', { effects: [echo(1500)] })]),
      'send/s/level',
      closed,
      () => 'throw',
    )
    expect(at(none, 1500)).toBe(0)
  })
})
