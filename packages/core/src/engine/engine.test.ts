import fc from 'fast-check'
import { describe, expect, it, vi } from 'vitest'
import { point, valueAt } from '../envelope'
import {
  addEffect,
  addReturn,
  addSend,
  plainMix,
  withLane,
  withPoints,
  type Mix,
  type TrackMix,
} from '../mix'
import { levelGain, levelScale } from '../scale'
import { SAMPLE_RATE } from '../time'
import { same } from '../../test/samples'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { BLOCK, compileMix, panMono, panStereo, Player, RAMP, render, type AssetAudio } from '.'

const song = smallSong()
const HALF = 16_384
/** A constant on the reed: what comes out is the gain itself. */
const constant = audioFor(song, () => HALF)
const change = (mix: Mix, id: string, by: Partial<TrackMix>): Mix => ({
  ...mix,
  tracks: mix.tracks.map((t) => (t.id === id ? { ...t, ...by } : t)),
})
const out = (mix: Mix, audio: Map<string, AssetAudio> = constant, options = {}) =>
  render(compileMix(song, mix), audio, options)!
/** The amplitude that a mono track in the middle leaves on each side. */
const CENTRE = 0.5 * Math.SQRT1_2

describe('pan', () => {
  it('keeps the power of a mono track wherever it stands', () => {
    const sides = { left: 0, right: 0 }
    fc.assert(
      fc.property(fc.double({ min: -1, max: 1, noNaN: true }), (p) => {
        panMono(p, sides)
        expect(sides.left ** 2 + sides.right ** 2).toBeCloseTo(1, 12)
        expect(sides.left).toBeCloseTo(Math.cos(((p + 1) * Math.PI) / 4), 12)
      }),
    )
  })

  it('turns a stereo track away on one side only', () => {
    const sides = { left: 0, right: 0 }
    panStereo(0.5, sides)
    expect(sides).toEqual({ left: expect.closeTo(Math.cos(Math.PI / 4), 12), right: 1 })
    panStereo(-1, sides)
    expect(sides).toEqual({ left: 1, right: 0 })
  })

  it('is where the samples go', () => {
    const { left, right } = out(change(plainMix(song), 'reed', { pan: -1 }))
    expect([left[1000], right[1000]]).toEqual([0.5, 0])
  })
})

describe('settings', () => {
  it('apply gain, fader and main in dB', () => {
    const mix = { ...change(plainMix(song), 'reed', { gain: 6, level: -12 }), main: { level: -3 } }
    expect(out(mix).left[5000]).toBeCloseTo(CENTRE * levelGain(-9), 6)
  })

  it('silence what is muted, and what is at −90 dB, exactly', () => {
    for (const by of [{ mute: true }, { level: -90 }]) {
      expect(out(change(plainMix(song), 'reed', by)).left.every((v) => v === 0)).toBe(true)
    }
  })

  it('narrow a stereo track to mono and widen it', () => {
    const audio = audioFor(
      song,
      () => 0,
      (_, side) => (side ? -HALF : HALF / 2),
    )
    const at = (width: number) => {
      const { left, right } = out(change(plainMix(song), 'pad', { width }), audio)
      return [left[9], right[9]]
    }
    expect(at(0)).toEqual([-0.125, -0.125])
    expect(at(1)).toEqual([0.25, -0.5])
    expect(at(2)).toEqual([0.625, -0.875])
  })
})

describe('regions', () => {
  it('sound where they lie, with level and fades', () => {
    const region = {
      ...plainMix(song).tracks[0]!.regions[0]!,
      start: 1920,
      length: 1000,
      level: -6,
      fadeIn: 100,
      fadeOut: 100,
    }
    const { left } = out(change(plainMix(song), 'reed', { regions: [region] }))
    const start = SAMPLE_RATE
    const full = CENTRE * levelGain(-6)
    expect([left[start - 1], left[start], left[start + 1000]]).toEqual([0, 0, 0])
    expect(left[start + 50]).toBeCloseTo(full / 2, 5)
    expect(left[start + 500]).toBeCloseTo(full, 5)
    expect(left[start + 950]).toBeCloseTo(full / 2, 5)
  })

  it('start in the middle of their audio', () => {
    const ramp = audioFor(song, (n) => n % 1000)
    const region = { ...plainMix(song).tracks[0]!.regions[0]!, offset: 500, length: 400 }
    const { left } = out(change(plainMix(song), 'reed', { regions: [region], pan: -1 }), ramp)
    expect(left[10]).toBeCloseTo(510 / 32_768, 7)
  })

  it('are silent where audio is missing or very short', () => {
    expect(out(plainMix(song), new Map()).left.some((v) => v !== 0)).toBe(false)
    const region = { ...plainMix(song).tracks[0]!.regions[0]!, length: 882 }
    const { left } = out(change(plainMix(song), 'reed', { regions: [region] }))
    expect([left[881]! > 0, left[882]]).toEqual([true, 0])
  })
})

describe('lines', () => {
  const fade = withLine(song, 'reed', [
    point(0, -90),
    point(3840, 0),
    point(7680, 0, 'curve', 3),
    point(15_360, -90),
  ])

  it('are followed: every sample is at the gain of the line', () => {
    const { left } = out(fade)
    const points = fade.envelopes[0]!.points
    for (let n = 0; n < left.length; n += 997) {
      const expected = CENTRE * levelGain(valueAt(points, levelScale, (n / SAMPLE_RATE) * 1920))
      // straight runs between block edges stray from the curve by less than a thousandth of full scale
      expect(Math.abs(left[n]! - expected)).toBeLessThan(4e-4)
    }
  })

  it('are followed as closely where they fall fast: 60 dB in a tenth of a second, within 0.05 dB', () => {
    const points = [point(3840, 0), point(4032, -60)]
    const { left } = out(withLine(song, 'reed', points))
    let worst = 0
    for (let n = 2 * SAMPLE_RATE; n < 2.1 * SAMPLE_RATE; n++) {
      const expected = CENTRE * levelGain(valueAt(points, levelScale, (n / SAMPLE_RATE) * 1920))
      worst = Math.max(worst, Math.abs(20 * Math.log10(left[n]! / expected)))
    }
    expect(worst).toBeLessThan(0.05)
  })

  it('replace the setting, unless moves or the line are off', () => {
    const mix = change(fade, 'reed', { level: -6 })
    expect(out(mix).left[(5 * SAMPLE_RATE) / 2]).toBeCloseTo(CENTRE, 5)
    expect(out(mix, constant, { moves: false }).left[100]).toBeCloseTo(CENTRE * levelGain(-6), 6)
    expect(out(withLane(mix, 'track/reed/level', { on: false })).left[100]).toBeCloseTo(
      CENTRE * levelGain(-6),
      6,
    )
  })

  it('start and end in true silence', () => {
    const { left } = out(fade)
    expect([left[0], left.at(-1)]).toEqual([0, 0])
  })

  it('jump within 5 ms and without a step', () => {
    const { left } = out(withLine(song, 'reed', [point(0, -90, 'jump'), point(1920, 0)]))
    let steepest = 0
    for (let n = 1; n < left.length; n++) steepest = Math.max(steepest, Math.abs(left[n]! - left[n - 1]!))
    expect(left[SAMPLE_RATE - 2]).toBe(0)
    expect(left[SAMPLE_RATE + RAMP + 2]).toBeCloseTo(CENTRE, 6)
    expect(steepest).toBeLessThan((1.2 * CENTRE) / RAMP)
  })

  it('move pan and mute as well', () => {
    const pan = withPoints(plainMix(song), 'track/reed/pan', [point(0, -1), point(15_360, 1)], () => 'pan')
    const { left, right } = out(pan)
    const middle = 4 * SAMPLE_RATE
    expect(left[middle]).toBeCloseTo(CENTRE, 3)
    expect(right[middle]).toBeCloseTo(CENTRE, 3)
    expect(right[100]).toBeLessThan(0.01)
    const mute = withPoints(
      plainMix(song),
      'track/reed/mute',
      [point(0, 0, 'jump'), point(1920, 1, 'jump')],
      () => 'm',
    )
    const muted = out(mute).left
    expect([muted[SAMPLE_RATE - 10]! > 0.3, muted[SAMPLE_RATE + 400]]).toEqual([true, 0])
  })
})

describe('render', () => {
  it('is the same from any place on, and every time', () => {
    const mix = withLine(song, 'reed', [point(0, -20), point(15_360, 0)])
    const audio = audioFor(song, (n) => ((n * 7919) % 20_011) - 10_005)
    const whole = out(mix, audio)
    expect(same(out(mix, audio).left, whole.left)).toBe(true)
    const from = 3 * SAMPLE_RATE
    const part = out(mix, audio, { from, to: from + 5000 })
    for (let n = 0; n < 5000; n += 37) expect(part.left[n]).toBeCloseTo(whole.left[from + n]!, 4)
  })

  it('tells its progress and can be stopped', () => {
    const told: number[] = []
    expect(
      render(compileMix(song, plainMix(song)), constant, { onProgress: (share) => told.push(share) < 3 }),
    ).toBeNull()
    expect(told).toHaveLength(3)
    expect(told[0]).toBeGreaterThan(0)
  })

  it('leaves no denormal number behind a fade', () => {
    const { left } = out(withLine(song, 'reed', [point(0, 0), point(15_000, -90)]))
    expect(left.some((v) => v !== 0 && Math.abs(v) < 1e-30)).toBe(false)
  })
})

describe('Player', () => {
  const mix = withLine(song, 'reed', [point(0, -12), point(15_360, 0)])
  const run = (player: Player, blocks: number) => {
    const left = new Float32Array(BLOCK)
    const right = new Float32Array(BLOCK)
    const all: number[] = []
    for (let i = 0; i < blocks; i++) {
      player.process(left, right)
      all.push(...left)
    }
    return all
  }
  const largestStep = (samples: readonly number[]) =>
    samples.reduce((most, v, n) => (n ? Math.max(most, Math.abs(v - samples[n - 1]!)) : 0), 0)

  it('plays what the render gives, after it has come up', () => {
    const player = new Player(compileMix(song, mix), constant)
    player.play()
    const heard = run(player, 50)
    const rendered = out(mix).left
    for (let n = RAMP + 1; n < heard.length; n += 31) expect(heard[n]).toBeCloseTo(rendered[n]!, 5)
    expect(player.position).toBe(50 * BLOCK)
  })

  it('makes no view in the callback, whatever the sound card asks for', () => {
    const player = new Player(compileMix(song, mix), constant)
    player.play()
    const [left, right] = [new Float32Array(128), new Float32Array(128)] as const
    player.process(left, right)
    const subarray = vi.spyOn(Float32Array.prototype, 'subarray')
    try {
      for (let i = 0; i < 20; i++) player.process(left, right)
      expect(subarray).not.toHaveBeenCalled()
    } finally {
      subarray.mockRestore()
    }
    expect(player.position).toBe(21 * 128)
  })

  it('waits without a click for recordings that are still on their way, and then goes on from there', () => {
    const arrived = new Int32Array(new SharedArrayBuffer(4))
    const coming = new Map([...constant].map(([id, audio]) => [id, { ...audio, arrived }] as const))
    const player = new Player(compileMix(song, mix), coming)
    player.play()
    expect(Math.max(...run(player, 20))).toBe(0)
    expect([player.waiting, player.playing, player.position]).toEqual([true, true, 0])
    // some seconds are there
    arrived[0] = 40_000
    const heard = run(player, 400)
    expect(largestStep(heard)).toBeLessThan(0.01)
    expect(player.waiting).toBe(true)
    // nothing was read that was not there
    expect(player.position).toBeLessThan(40_000)
    expect(player.position).toBeGreaterThan(20_000)
    const held = player.position
    arrived[0] = 100_000_000
    run(player, 10)
    expect([player.waiting, player.position]).toEqual([false, held + 10 * BLOCK])
  })

  it('stops, goes elsewhere and goes on without a click', () => {
    const player = new Player(compileMix(song, mix), constant)
    player.play()
    const heard = run(player, 20)
    player.seek(4 * SAMPLE_RATE)
    heard.push(...run(player, 20))
    player.engine.moves = false
    heard.push(...run(player, 20))
    player.stop()
    heard.push(...run(player, 10))
    expect(largestStep(heard)).toBeLessThan(0.004)
    expect(heard.at(-1)).toBe(0)
    expect(player.playing).toBe(false)
    expect(player.position).toBeGreaterThan(4 * SAMPLE_RATE)
  })

  it('goes round a loop', () => {
    const player = new Player(compileMix(song, mix), constant)
    player.loop = { start: SAMPLE_RATE, end: SAMPLE_RATE + 10_000 }
    player.seek(SAMPLE_RATE)
    player.play()
    const positions = Array.from({ length: 400 }, () => {
      run(player, 1)
      return player.position
    })
    expect(Math.max(...positions)).toBeLessThanOrEqual(SAMPLE_RATE + 10_000)
    expect(Math.min(...positions)).toBeGreaterThanOrEqual(SAMPLE_RATE)
    expect(positions.filter((p, i) => i && p < positions[i - 1]!).length).toBeGreaterThan(3)
  })

  it('takes a change over at once and softly', () => {
    const player = new Player(compileMix(song, plainMix(song)), constant)
    player.play()
    const heard = run(player, 20)
    player.engine.load(compileMix(song, change(plainMix(song), 'reed', { level: -20 })))
    heard.push(...run(player, 4))
    expect(heard.at(-1)).toBeCloseTo(CENTRE * levelGain(-20), 5)
    expect(largestStep(heard)).toBeLessThan(0.004)
  })

  it('ends by itself after the song', () => {
    const player = new Player(compileMix(song, mix), constant)
    player.seek(8 * SAMPLE_RATE - 100)
    player.play()
    run(player, 200)
    expect(player.playing).toBe(false)
  })
})

describe('solo', () => {
  const both = audioFor(
    song,
    () => HALF,
    () => HALF / 4,
  )
  const hall: Mix = {
    ...plainMix(song),
    returns: [{ id: 'hall', name: 'Hall', effects: [], mute: false, level: 0, pan: 0, sends: [] }],
    tracks: plainMix(song).tracks.map((t) => ({
      ...t,
      sends: [{ id: `s-${t.id}`, to: 'hall', level: -6.0206, tap: 'post' as const, on: true }],
    })),
  }
  const heard = (solo: { tracks: string[]; returns: string[] } | null) => {
    const player = new Player(compileMix(song, hall), both)
    player.engine.listenTo(solo)
    player.play()
    const left = new Float32Array(BLOCK)
    for (let i = 0; i < 20; i++) player.process(left, new Float32Array(BLOCK))
    return left.at(-1)!
  }
  const reed = CENTRE
  const pad = 0.125

  it('leaves a track with its share of the returns, a return with all that is sent to it', () => {
    expect(heard(null)).toBeCloseTo(1.5 * (reed + pad), 4)
    expect(heard({ tracks: [], returns: [] })).toBeCloseTo(1.5 * (reed + pad), 4)
    expect(heard({ tracks: ['reed'], returns: [] })).toBeCloseTo(1.5 * reed, 4)
    expect(heard({ tracks: [], returns: ['hall'] })).toBeCloseTo(0.5 * (reed + pad), 4)
    expect(heard({ tracks: ['pad'], returns: ['hall'] })).toBeCloseTo(pad + 0.5 * (reed + pad), 4)
  })

  it('comes and goes without a click, and outlives a change of the mix', () => {
    const player = new Player(compileMix(song, hall), both)
    const left = new Float32Array(BLOCK)
    player.play()
    const all: number[] = []
    for (let i = 0; i < 60; i++) {
      if (i === 20) player.engine.listenTo({ tracks: ['pad'], returns: [] })
      if (i === 40) player.engine.load(compileMix(song, { ...hall, main: { level: 0 } }))
      player.process(left, new Float32Array(BLOCK))
      all.push(...left)
    }
    const step = all.reduce((most, v, n) => (n ? Math.max(most, Math.abs(v - all[n - 1]!)) : 0), 0)
    expect(step).toBeLessThan(0.006)
    expect(all.at(-1)).toBeCloseTo(1.5 * pad, 4)
  })
})

describe('the engine’s memory', () => {
  it('does not grow where effects and returns come and go', () => {
    const player = new Player(compileMix(song, plainMix(song)), constant)
    const left = new Float32Array(BLOCK)
    player.play()
    const turn = (i: number) => {
      let mix = addEffect(plainMix(song), 'reed', 'reverb', `e${i}`)
      mix = addReturn(mix, 'R', 'delay', { back: `r${i}`, effect: `x${i}` })
      mix = addSend(mix, 'pad', `r${i}`, `s${i}`)
      player.load(compileMix(song, mix))
      // another path is taken over in a moment of silence
      for (let block = 0; block < 4; block++) player.process(left, left)
    }
    turn(0)
    turn(1)
    turn(2)
    const bytes = player.engine.bytes
    for (let i = 3; i < 60; i++) turn(i)
    expect(player.engine.bytes).toBe(bytes)
  })
})

describe('a control that is moved while it plays', () => {
  it('is heard in the very next block, and is there within two', () => {
    const player = new Player(compileMix(song, plainMix(song)), constant)
    const left = new Float32Array(BLOCK)
    const right = new Float32Array(BLOCK)
    player.play()
    for (let i = 0; i < 20; i++) player.process(left, right)
    const before = left[BLOCK - 1]!
    expect(before).toBeCloseTo(CENTRE, 6)
    player.load(compileMix(song, change(plainMix(song), 'reed', { level: -20 })))
    player.process(left, right)
    expect(left[BLOCK - 1]!).toBeLessThan(before * 0.6)
    player.process(left, right)
    expect(left[BLOCK - 1]!).toBeCloseTo(CENTRE * levelGain(-20), 6)
  })
})

describe('two mixes that are heard in turn', () => {
  const sine = audioFor(song, (n) => Math.round(12_000 * Math.sin(n * 0.03)))
  const faded = withLine(song, 'reed', [point(0, 0), point(3840, -30)])
  const wet = addEffect(change(plainMix(song), 'reed', { level: -12, pan: 0.8 }), 'reed', 'delay', 'd')
  const mixes = [faded, wet, plainMix(song)]

  it('change over at the next block, at the same sample, without a click', () => {
    const player = new Player(compileMix(song, mixes[0]!), sine)
    const left = new Float32Array(BLOCK)
    const right = new Float32Array(BLOCK)
    player.play()
    let steepest = 0
    let last = 0
    let blocks = 0
    for (let round = 0; round < 30; round++) {
      player.load(compileMix(song, mixes[round % 3]!))
      for (let k = 0; k < 12; k++) {
        expect(player.position).toBe(blocks++ * BLOCK)
        player.process(left, right)
        for (const x of left) {
          steepest = Math.max(steepest, Math.abs(x - last))
          last = x
        }
      }
    }
    // no steeper than the sine itself at its loudest, and the ramps on it
    expect(steepest).toBeLessThan((12_000 / 32_768) * 0.03 * 1.5)
  })
})
