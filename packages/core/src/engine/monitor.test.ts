import { describe, expect, it } from 'vitest'
import { plainMix } from '../mix'
import { SAMPLE_RATE } from '../time'
import { audioFor, smallSong } from '../../test/songs'
import { beatAt, beatsOf, BLOCK, compileMix, Player } from '.'

const song = smallSong()
const silence = audioFor(song, () => 0)
const player = () => new Player(compileMix(song, plainMix(song)), silence)

/** What is heard in so many seconds. */
function hear(from: Player, seconds: number, size = BLOCK): Float32Array {
  const out = new Float32Array(Math.ceil((seconds * SAMPLE_RATE) / size) * size)
  for (let at = 0; at < out.length; at += size) {
    const left = new Float32Array(size)
    const right = new Float32Array(size)
    from.process(left, right)
    from.monitor.apply(left, right)
    out.set(left, at)
  }
  return out
}

/** Where clicks begin: the first sound after 100 ms of silence. */
function onsets(sound: Float32Array): number[] {
  const found: number[] = []
  let last = -SAMPLE_RATE
  sound.forEach((v, n) => {
    if (Math.abs(v) < 1e-4) return
    if (n - last > SAMPLE_RATE / 10) found.push(n)
    last = n
  })
  return found
}

/** Crossings of zero in the 10 ms after a place, as a frequency. */
function pitch(sound: Float32Array, at: number): number {
  let crossings = 0
  for (let n = at + 1; n < at + 441; n++) if (sound[n]! > 0 !== sound[n - 1]! > 0) crossings++
  return crossings * 50
}

describe('beats', () => {
  it('are where tempo and time signature put them, the end included', () => {
    const { at, downbeat } = beatsOf(song)
    expect(at).toHaveLength(17)
    expect([...at.slice(0, 3)]).toEqual([0, SAMPLE_RATE / 2, SAMPLE_RATE])
    expect([...downbeat.slice(0, 6)]).toEqual([1, 0, 0, 0, 1, 0])
  })

  it('follow a change of tempo and of time signature', () => {
    const { at, downbeat } = beatsOf({
      length: 960 * 7,
      tempo: [
        { tick: 0, bpm: 120, form: 'hold' },
        { tick: 960 * 4, bpm: 60, form: 'hold' },
      ],
      meter: [
        { tick: 0, beats: 4, unit: 4 },
        { tick: 960 * 4, beats: 6, unit: 8 },
      ],
    })
    expect([...at].map((v) => v / SAMPLE_RATE)).toEqual([0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 4.5, 5])
    expect([...downbeat]).toEqual([1, 0, 0, 0, 1, 0, 0, 0, 0, 0, 1])
  })

  it('are found by sample', () => {
    const beats = beatsOf(song)
    expect([-1, 0, 22_049, 22_050].map((s) => beatAt(beats, s))).toEqual([-1, 0, 0, 1])
  })
})

describe('the metronome', () => {
  it('clicks on every beat to the sample, the first of a bar higher', () => {
    const p = player()
    p.monitor.metronome = true
    p.play()
    const sound = hear(p, 2.3)
    const clicks = onsets(sound)
    expect(clicks.map((n) => Math.round((n / SAMPLE_RATE) * 200) / 200)).toEqual([0, 0.5, 1, 1.5, 2])
    for (const n of clicks) expect(n % 22_050).toBeLessThan(3)
    for (const [i, hertz] of [1500, 1000, 1000, 1000, 1500].entries())
      expect(Math.abs(pitch(sound, clicks[i]!) - hertz)).toBeLessThan(120)
  })

  it('stays with the beats round a loop, and is off unless it is wanted', () => {
    const p = player()
    p.loop = { start: 0, end: 33_075 }
    p.play()
    expect(onsets(hear(p, 1))).toEqual([])
    p.monitor.metronome = true
    const clicks = onsets(hear(p, 3))
    expect(clicks.length).toBeGreaterThanOrEqual(6)
    // beats at 0 and 0.5 s of a loop of 0.75 s
    const gaps = clicks.slice(1).map((n, i) => (n - clicks[i]!) / SAMPLE_RATE)
    for (const gap of gaps) expect(Math.min(Math.abs(gap - 0.25), Math.abs(gap - 0.5))).toBeLessThan(0.002)
  })

  it('changes nothing that is measured', () => {
    const p = player()
    p.monitor.metronome = true
    p.play()
    const left = new Float32Array(BLOCK)
    const right = new Float32Array(BLOCK)
    for (let i = 0; i < 100; i++) {
      p.process(left, right)
      expect(left.every((v) => v === 0)).toBe(true)
      p.monitor.apply(left, right)
    }
  })
})

describe('the count-in', () => {
  it('counts one bar, then plays from where it stood', () => {
    const p = player()
    p.countIn = true
    p.seek(4 * 22_050)
    p.play()
    expect(p.counting).toBe(4)
    const sound = hear(p, 1.9)
    expect(onsets(sound).map((n) => Math.round(n / 22_050))).toEqual([0, 1, 2, 3])
    expect(p.position).toBe(4 * 22_050)
    hear(p, 0.2)
    expect(p.counting).toBe(0)
    expect(p.position).toBeGreaterThan(4 * 22_050)
  })

  it('is over when it is stopped', () => {
    const p = player()
    p.countIn = true
    p.play()
    hear(p, 0.3)
    p.stop()
    expect(p.counting).toBe(0)
    expect(onsets(hear(p, 2))).toEqual([])
    expect(p.position).toBe(0)
  })
})

describe('mono', () => {
  it('gives both ears the same', () => {
    const p = player()
    p.monitor.mono = true
    const left = Float32Array.of(1, 0.5)
    const right = Float32Array.of(0, -0.5)
    p.monitor.apply(left, right)
    expect([...left, ...right]).toEqual([0.5, 0, 0.5, 0])
  })
})

describe('trim', () => {
  it('comes without a step, holds, and leaves everything as it was once it is gone', () => {
    const { monitor } = player()
    const ones = () => [new Float32Array(128).fill(1), new Float32Array(128).fill(1)] as const
    const apply = () => {
      const [left, right] = ones()
      monitor.apply(left, right)
      expect(right).toEqual(left)
      return left
    }
    monitor.trim = 0.5
    const first = apply()
    const steps = [...first].map((x, i) => Math.abs(x - (first[i - 1] ?? 1)))
    expect(Math.max(...steps)).toBeLessThan(0.005)
    expect(first.at(-1)).toBeCloseTo(0.5, 6)
    expect(new Set(apply())).toEqual(new Set([0.5]))
    monitor.trim = 1
    apply()
    expect(new Set(apply())).toEqual(new Set([1]))
  })
})
