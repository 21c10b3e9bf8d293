import { point, valueAt, type Points } from '@rudlo/core/envelope'
import { MIXER_CONTROLS, SEND_CONTROLS } from '@rudlo/core/scale'
import { MeterMap, snapTick } from '@rudlo/core/time'
import fc from 'fast-check'
import { beforeEach, describe, expect, it } from 'vitest'
import type { ChangeLabel } from '../../document/editing'
import { pointAt } from '../tools/hit-test'
import { useLineEditor, type LineEditor } from './line-editor'
import { changeInWords, nudged } from '../tools/nudge'
import { insideSong, Viewport, zoomAbout, zoomValues } from './viewport'

const { level, mute, pan } = MIXER_CONTROLS
const LENGTH = 32 * 3840

describe('Viewport', () => {
  const view = new Viewport({ from: 3840, to: 19_200 }, 900, 300)

  it('turns ticks and travel into pixels and back', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
        expect(view.tick(view.x(share * LENGTH))).toBeCloseTo(share * LENGTH, 6)
        expect(view.travel(view.y(share))).toBeCloseTo(share, 9)
      }),
    )
    expect(view.shown.from).toBeLessThan(3840)
  })

  it('stays inside the song, whatever is asked', () => {
    const number = fc.double({ min: -1e6, max: 1e6, noNaN: true })
    fc.assert(
      fc.property(
        number,
        fc.double({ min: 1, max: 1e6, noNaN: true }),
        number,
        fc.double({ min: 0.01, max: 50, noNaN: true }),
        (from, size, tick, factor) => {
          for (const span of [
            insideSong({ from, to: from + size }, LENGTH),
            zoomAbout(insideSong({ from, to: from + size }, LENGTH), tick, factor, LENGTH),
          ]) {
            expect(span.from).toBeGreaterThanOrEqual(0)
            expect(span.to).toBeLessThanOrEqual(LENGTH + 1e-6)
            expect(span.to - span.from).toBeGreaterThanOrEqual(960 - 1e-6)
          }
        },
      ),
    )
  })

  it('shows a part of the values, and keeps the one under the pointer', () => {
    const tall = zoomValues({ low: 0, high: 1 }, 0.75, 4)
    expect(tall.high - tall.low).toBeCloseTo(0.25, 9)
    const close = new Viewport({ from: 0, to: 960 }, 900, 300, tall)
    expect(close.y(0.75)).toBeCloseTo(view.y(0.75), 6)
    expect(close.travel(close.y(0.7))).toBeCloseTo(0.7, 9)
    expect(zoomValues(tall, 0.75, 0.01)).toEqual({ low: 0, high: 1 })
  })

  it('zooms about the place under the pointer', () => {
    const closer = zoomAbout({ from: 0, to: LENGTH }, 40_000, 2, LENGTH)
    expect((40_000 - closer.from) / (closer.to - closer.from)).toBeCloseTo(40_000 / LENGTH, 9)
  })
})

describe('pointAt', () => {
  const view = new Viewport({ from: 0, to: LENGTH }, 900, 300)
  const points = [point(0, -6), point(38_400, -6), point(38_500, 0), point(100_000, -90)]

  it('finds the nearest point in reach', () => {
    for (const [i, p] of points.entries()) {
      expect(
        pointAt(points, level.scale, view, view.x(p.tick) + 2, view.y(level.scale.toTravel(p.value)), 15),
      ).toBe(i)
    }
    expect(pointAt(points, level.scale, view, 500, 20, 15)).toBe(-1)
    expect(pointAt([], level.scale, view, 5, 5, 15)).toBe(-1)
  })
})

describe('nudged', () => {
  it('moves a level by a decibel, and out of silence in a few steps', () => {
    expect(nudged(level, -6, 1, false)).toBe(-5)
    expect(nudged(level, -6, -1, true)).toBe(-6.1)
    expect(nudged(level, 6, 1, false)).toBe(6)
    let value = -90
    let steps = 0
    while (value < -40 && steps < 20) {
      value = nudged(SEND_CONTROLS.level, value, 1, false)
      steps++
    }
    expect(steps).toBeLessThan(9)
  })

  it('switches what has two states, and moves the rest by travel', () => {
    expect([nudged(mute, 0, 1, false), nudged(mute, 1, -1, true)]).toEqual([1, 0])
    expect(nudged(pan, 0, 1, false)).toBeCloseTo(0.04, 9)
    expect(nudged(pan, 1, 1, false)).toBe(1)
  })
})

describe('changeInWords', () => {
  it('says only what is true and simple', () => {
    expect([6, -6, 10, -10.4, 3, 1, 0].map(changeInWords)).toEqual([
      'twice the amplitude',
      'half the amplitude',
      'sounds about twice as loud',
      'sounds about half as loud',
      'about 40 % more amplitude',
      '',
      '',
    ])
  })
})

describe('useLineEditor', () => {
  const meter = new MeterMap([{ tick: 0, beats: 4, unit: 4 }])
  let points: Points
  let shown: Points
  let changes: ChangeLabel[]
  let refused: string[]
  let editor: LineEditor

  beforeEach(() => {
    points = [point(0, -6), point(38_400, -6)]
    shown = points
    changes = []
    refused = []
    editor = useLineEditor({
      points: () => shown,
      control: () => level,
      setting: () => -3,
      meter: () => meter,
      songLength: () => LENGTH,
      snap: (tick, free) => Math.min(LENGTH, free ? Math.round(tick) : snapTick(meter, 'beat', tick)),
      laneName: () => 'volume of Reed',
      address: () => 'track/reed/level',
      begin: () => undefined,
      preview: (next) => (shown = next),
      settle: () => undefined,
      commit: (change) => {
        points = shown
        changes.push(change)
      },
      cancel: () => (shown = points),
      set: (next, change) => {
        points = shown = next
        changes.push(change)
      },
      refuse: (reason) => refused.push(reason),
    })
  })

  it('makes one step of a drag, snapped, and says what it was', () => {
    editor.grab(1)
    editor.dragTo(20_000, -10, false, null)
    editor.dragTo(40_100, -12.5, false, null)
    editor.drop()
    expect(points[1]).toMatchObject({ tick: 40_320, value: -12.5 })
    expect(changes).toMatchObject([
      { label: 'Moved a point to −12.5 dB, volume of Reed, bar 11', lanes: ['track/reed/level'] },
    ])
  })

  it('drags off the grid, or one way only', () => {
    editor.grab(1)
    editor.dragTo(40_123, -12, true, 'time')
    expect(shown[1]).toMatchObject({ tick: 40_123, value: -6 })
    editor.dragTo(50_000, -12, false, 'value')
    expect(shown[1]).toMatchObject({ tick: 38_400, value: -12 })
  })

  it('takes a gesture back', () => {
    editor.grabNew(9600, 0, false)
    expect(shown).toHaveLength(3)
    editor.cancel()
    expect([shown, changes, editor.selected.value]).toEqual([points, [], -1])
  })

  it('starts a new line level at the setting, so that the first point does not bend the whole song', () => {
    points = shown = []
    editor.grabNew(9600, 0, false)
    editor.drop()
    expect(points).toMatchObject([
      { tick: 0, value: -3 },
      { tick: 9600, value: 0 },
    ])
  })

  it('adds, moves, forms and removes by command, each as one step', () => {
    editor.add(9600, -20, false)
    expect(editor.current.value).toMatchObject({ tick: 9600, value: -20 })
    editor.moveSelected(10_560, -18)
    editor.setSelectedForm('curve', 3)
    expect(points[1]).toMatchObject({ tick: 10_560, value: -18, form: 'curve', bend: 3 })
    editor.removeSelected()
    expect(points).toHaveLength(2)
    expect(changes.map((c) => c.label.split(',')[0])).toEqual([
      'Added a point at −20.0 dB',
      'Moved a point to −18.0 dB',
      'Changed the shape',
      'Removed a point',
    ])
  })

  it('steps from point to point and stays at the ends', () => {
    editor.step(1)
    expect(editor.selected.value).toBe(0)
    editor.step(1)
    editor.step(1)
    expect(editor.selected.value).toBe(1)
    editor.step(-1)
    expect(editor.selected.value).toBe(0)
  })

  it('moves, sets and removes several points, each as one step', () => {
    points = shown = [point(0, -6), point(9600, -20), point(19_200, -90), point(38_400, -6)]
    editor.toggle(1)
    editor.toggle(2)
    expect([...editor.chosen.value]).toEqual([1, 2])
    editor.grab(1)
    editor.dragTo(10_560, -17, false, null)
    editor.drop()
    expect(points.map((p) => [p.tick, p.value])).toEqual([
      [0, -6],
      [10_560, -17],
      [20_160, -90],
      [38_400, -6],
    ])
    editor.giveValue(-12)
    expect(points.map((p) => p.value)).toEqual([-6, -12, -12, -6])
    editor.moveSelected(points[1]!.tick + 960, -11)
    expect(points.map((p) => p.value)).toEqual([-6, -11, -11, -6])
    editor.removeSelected()
    expect(points.map((p) => p.tick)).toEqual([0, 38_400])
    expect(changes.map((c) => c.label.split(',')[0])).toEqual([
      'Moved 2 points',
      'Set 2 points to −12.0 dB',
      'Moved 2 points',
      'Removed 2 points',
    ])
  })

  it('lets go of the others where one point is taken that is not among them', () => {
    editor.chooseAll()
    expect(editor.chosen.value.size).toBe(2)
    editor.toggle(1)
    editor.grab(1)
    expect(editor.chosen.value.size).toBe(0)
  })

  it('bends a span by its middle', () => {
    points = shown = [point(0, -20), point(38_400, 0)]
    editor.grabMiddle(0)
    editor.dragTo(19_200, -3, false, null)
    editor.drop()
    expect(points[0]!.form).toBe('curve')
    expect(valueAt(points, level.scale, 19_200)).toBeCloseTo(-3, 1)
    expect(changes[0]!.label).toMatch(/^Bent the line/)
  })

  it('stamps the setting as a point or as a jump', () => {
    editor.stampHere(9600, 'jump')
    expect(points.map((p) => [p.tick, Math.round(p.value), p.form])).toEqual([
      [0, -6, 'straight'],
      [9599, -6, 'jump'],
      [9600, -3, 'straight'],
      [38_400, -6, 'straight'],
    ])
    expect(changes[0]!.label).toMatch(/^Stamped −3.0 dB/)
  })

  it('says why a point is one too many', () => {
    points = shown = Array.from({ length: 5000 }, (_, i) => point(i * 20, -6))
    editor.add(55, 0, true)
    expect(refused[0]).toMatch(/5000 points/)
    expect(changes).toEqual([])
  })
})
