import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { compileMix, render } from '../engine'
import { point } from '../envelope'
import { measureLoudness } from '../loudness'
import {
  addEffect,
  addReturn,
  addSend,
  changedStretch,
  plainMix,
  withPoints,
  withSetting,
  type Mix,
} from '../mix'
import { songTime } from '../song'
import { SAMPLE_RATE } from '../time'
import { audioFor, smallSong, withLine } from '../../test/songs'
import { MixLoudnessMeter, type MixLoudness } from '.'

const song = smallSong(10)
const audio = audioFor(
  song,
  (n) => (((n * 7919) % 20_011) - 10_000) * (n % 40_000 < 9000 ? 1 : 0.1),
  (n, side) => (((n + side) * 104_729) % 9973) - 5000,
)
const plain = plainMix(song)
const line = (values: readonly number[], mix: Mix = plain) =>
  withLine(
    song,
    'reed',
    values.map((v, i) => point(i * 1920, v)),
    mix,
  )
const whole = (mix: Mix) => {
  const { left, right } = render(compileMix(song, mix), audio)!
  return measureLoudness(SAMPLE_RATE, [left, right])
}

describe('where two mixes differ', () => {
  const start = line([0, -6, -12, -6, 0, 0])

  it('is between the points that are alike', () => {
    expect(changedStretch(start, start)).toBeNull()
    expect(changedStretch(start, line([0, -6, -20, -6, 0, 0]))).toEqual({ from: 1920, to: 5760 })
    expect(changedStretch(start, line([0, -6, -12, -6, 0, -3]))).toMatchObject({ to: Infinity })
    expect(changedStretch(start, line([-3, -6, -12, -6, 0, 0]))).toMatchObject({ from: 0, to: 1920 })
  })

  it('is everywhere where a line comes or goes, or anything but lines changes', () => {
    expect(changedStretch(plain, start)).toEqual({ from: 0, to: Infinity })
    expect(changedStretch(start, withSetting(start, 'track/pad/pan', 1))).toEqual({ from: 0, to: Infinity })
  })

  it('is nowhere where a line without points comes', () => {
    expect(
      changedStretch(
        plain,
        withPoints(plain, 'track/reed/pan', [], () => 'p'),
      ),
    ).toBeNull()
  })
})

describe('the loudness of one mix after another', () => {
  const near = (mix: Mix, measured: ReturnType<MixLoudnessMeter['measure']>) => {
    const expected = whole(mix)
    expect(measured!.integrated!).toBeCloseTo(expected.integrated!, 2)
    expect(measured!.truePeak).toBeCloseTo(expected.truePeak, 1)
    measured!.momentary.forEach((lufs, i) => {
      if (expected.momentary[i]! > -60) expect(Math.abs(lufs - expected.momentary[i]!)).toBeLessThan(0.05)
    })
  }

  it('is what measuring the whole gives, whatever was changed', () => {
    const values = fc.array(fc.integer({ min: -30, max: 6 }), { minLength: 6, maxLength: 6 })
    fc.assert(
      fc.property(values, fc.nat(5), fc.integer({ min: -30, max: 6 }), (start, at, to) => {
        const meter = new MixLoudnessMeter(song, audio)
        const before = line(start)
        near(before, meter.measure(before))
        const after = line(start.map((v, i) => (i === at ? to : v)))
        const second = meter.measure(after)
        near(after, second)
        if (at > 1 && at < 4) expect(second!.rendered).toBeLessThan(0.5)
      }),
      { numRuns: 2 },
    )
  })

  it('finds no peak between samples that are not there: a low tone is as high as it is', () => {
    const low = audioFor(song, (n) => Math.round(16_000 * Math.sin(n / 130)))
    const measured = new MixLoudnessMeter(song, low).measure(plain)!
    const { left, right } = render(compileMix(song, plain), low)!
    expect(measured.truePeak).toBeCloseTo(measureLoudness(SAMPLE_RATE, [left, right]).truePeak, 2)
  })

  it('counts what rings on after the change', () => {
    let mix = addReturn(line([0, 0, 0, 0, 0, 0, 0, 0]), 'Echo', 'delay', { back: 'e', effect: 'fx' })
    mix = withSetting(addSend(mix, 'reed', 'e', 's'), 'send/s/level', 0)
    mix = withSetting(mix, 'effect/fx/feedback', 0.7)
    const meter = new MixLoudnessMeter(song, audio)
    near(mix, meter.measure(mix))
    const after = line([0, 0, -90, 0, 0, 0, 0, 0], mix)
    near(after, meter.measure(after))
  })

  it('knows a track with effects by itself, after a change too', () => {
    const coloured = (values: readonly number[]) =>
      withSetting(addEffect(line(values), 'reed', 'filter', 'f'), 'effect/f/frequency', 300)
    const alone = (mix: Mix) => {
      const others = mix.tracks.filter((t) => t.id !== 'reed').map((t) => t.id)
      return whole(others.reduce((m, id) => withSetting(m, `track/${id}/mute`, 1), mix)).momentary
    }
    const meter = new MixLoudnessMeter(song, audio)
    expect(meter.measure(line([0, -6, -12, -6]))!.apart.size).toBe(0)
    for (const values of [
      [0, -6, -12, -6],
      [0, -6, -20, -6],
    ]) {
      const mix = coloured(values)
      const { apart } = meter.measure(mix)!
      expect([...apart.keys()]).toEqual(['reed'])
      const expected = alone(mix)
      apart.get('reed')!.forEach((lufs, i) => {
        if (expected[i]! > -60) expect(Math.abs(lufs - expected[i]!)).toBeLessThan(0.05)
      })
    }
  })

  it('shows what is looked at first where much more is to be rendered, and keeps nothing of it if it is stopped', () => {
    const meter = new MixLoudnessMeter(song, audio)
    const before = line([0, -6, -12, -6, 0, 0, 0, 0])
    const was = meter.measure(before)!
    const after = withSetting(before, 'track/pad/pan', 1)
    const seen = { from: 1920, to: 2880 }
    const shown: MixLoudness[] = []
    const show = (loudness: MixLoudness) => void shown.push(loudness)
    const stopped = meter.measure(after, () => shown.length === 0, { seen, show })
    expect([stopped, shown.length]).toEqual([null, 1])
    near(before, meter.measure(before))
    const now = meter.measure(after, undefined, { seen, show })!
    near(after, now)
    expect(shown).toHaveLength(2)
    const { tempo } = songTime(song)
    const [from, to] = [seen.from, seen.to].map((tick) => tempo.secondsAt(tick) * 10) as [number, number]
    shown[1]!.momentary.forEach((lufs, hop) => {
      // the window of a hop reaches back over the three before it
      if (hop >= from + 4 && hop < to) expect(lufs).toBeCloseTo(now.momentary[hop]!, 1)
      if (hop < from - 1 || hop > to + 12) expect(lufs).toBe(was.momentary[hop])
    })
    meter.measure(line([0, -6, -13, -6, 0, 0, 0, 0], after), undefined, { seen, show })
    expect(shown).toHaveLength(2)
  })

  it('renders nothing where nothing changed, and goes on rightly after it was stopped', () => {
    const meter = new MixLoudnessMeter(song, audio)
    const mix = line([0, -6, -12, -6])
    near(mix, meter.measure(mix))
    expect(meter.measure(mix)!.rendered).toBe(0)
    const after = line([0, -6, -20, -6])
    expect(meter.measure(after, () => false)).toBeNull()
    near(after, meter.measure(after))
  })
})
