import { point, valueAt, type Points } from '@rudlo/core/envelope'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import { MeterMap } from '@rudlo/core/time'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shallowRef } from 'vue'
import type { ChangeLabel } from '../../document/editing'
import { useLineEditor } from './line-editor'
import type { LinePorts } from './line-ports'

const BAR = 3840
const LENGTH = 8 * BAR

/**
 * A lane whose line is kept as the work keeps it: the first preview of a gesture is there at once, what follows when it is
 * settled, and it is a step only once it is committed.
 */
function lane(start: Points = [], how?: 'near' | 'on') {
  const kept = shallowRef(start)
  /** What the hand makes just now, and what of it has arrived in the work. */
  const shown = shallowRef<Points | null>(null)
  const settled = shallowRef<Points | null>(null)
  const steps: string[] = []
  const refused: string[] = []
  let base: Points | null = null
  const ports: LinePorts = {
    points: () => settled.value ?? kept.value,
    control: () => MIXER_CONTROLS.level,
    setting: () => -6,
    meter: () => new MeterMap([{ tick: 0, beats: 4, unit: 4 }]),
    songLength: () => LENGTH,
    snap: (tick, free) => (free ? Math.round(tick) : Math.round(tick / 960) * 960),
    laneName: () => 'volume of Reed',
    address: () => 'track/reed/level',
    begin: () => (base = kept.value),
    preview: (points) => {
      shown.value = points
      settled.value ??= points
    },
    settle: () => {
      if (shown.value) settled.value = shown.value
    },
    commit: ({ label }) => {
      if (shown.value) kept.value = shown.value
      shown.value = settled.value = null
      steps.push(label)
    },
    cancel: vi.fn(() => {
      if (base) kept.value = base
      shown.value = settled.value = null
    }),
    set: (points: Points, { label }: ChangeLabel) => {
      kept.value = points
      steps.push(label)
    },
    refuse: (reason) => refused.push(reason),
    ...(how ? { spread: () => ({ how, step: 960, reach: BAR }) } : {}),
  }
  const editor = useLineEditor(ports)
  return { editor, ports, steps, refused, kept, shown }
}

const places = (points: Points) => points.map((p) => [p.tick, Math.round(p.value * 100) / 100])

describe('a point on a lane', () => {
  it('begins a line level at the setting of the control, and is selected', () => {
    const { editor, kept, steps } = lane()
    editor.add(2 * BAR + 100, -12, false)
    expect(places(kept.value)).toEqual([
      [0, -6],
      [2 * BAR, -12],
    ])
    expect([editor.selected.value, steps]).toEqual([1, ['Added a point at −12.0 dB, volume of Reed, bar 3']])
  })

  it('is moved by the hand to where it snaps, as one step', () => {
    const { editor, kept, shown, steps } = lane([point(0, -6), point(BAR, -6), point(4 * BAR, 0)])
    editor.grab(1)
    editor.dragTo(2 * BAR + 90, -20, false, null)
    expect([kept.value[1]!.tick, shown.value![1]!.tick]).toEqual([BAR, 2 * BAR])
    editor.drop()
    expect(places(kept.value)[1]).toEqual([2 * BAR, -20])
    expect(steps).toEqual(['Moved a point to −20.0 dB, volume of Reed, bars 2 to 3'])
  })

  it('goes along one axis where it is held to it, and anywhere where snapping is off', () => {
    const { editor, shown } = lane([point(0, -6), point(BAR, -6)])
    editor.grab(1)
    editor.dragTo(2 * BAR, -20, false, 'value')
    expect(places(shown.value!)[1]).toEqual([BAR, -20])
    editor.dragTo(2 * BAR, -20, false, 'time')
    expect(places(shown.value!)[1]).toEqual([2 * BAR, -6])
    editor.dragTo(2 * BAR + 7, -20, true, null)
    expect(places(shown.value!)[1]).toEqual([2 * BAR + 7, -20])
  })

  it('bends the line after it by keys, up or down whichever way the line goes', () => {
    const { editor, kept, steps } = lane([point(0, -20), point(2 * BAR, -6), point(4 * BAR, -20)])
    const { scale } = MIXER_CONTROLS.level
    const middle = (from: number) => valueAt(kept.value, scale, from + BAR)
    for (const [index, from] of [
      [0, 0],
      [1, 2 * BAR],
    ] as const) {
      editor.select(index)
      const straight = middle(from)
      editor.bendSelected(1)
      expect(middle(from)).toBeGreaterThan(straight + 0.2)
      editor.bendSelected(-1)
      expect(middle(from)).toBeCloseTo(straight, 6)
      editor.bendSelected(-1)
      expect(middle(from)).toBeLessThan(straight - 0.2)
    }
    expect(new Set(steps.map((step) => step.split(',')[0]))).toEqual(new Set(['Bent the line']))
    editor.select(2)
    const done = steps.length
    editor.bendSelected(1)
    expect(steps).toHaveLength(done)
  })

  it('takes its neighbours along, one by one, as far as there are any', () => {
    const { editor } = lane([0, 1, 2, 3].map((bar) => point(bar * BAR, -6)))
    editor.chooseOn(1)
    expect([editor.selected.value, editor.chosen.value.size]).toEqual([0, 0])
    editor.select(1)
    editor.chooseOn(1)
    editor.chooseOn(-1)
    editor.chooseOn(-1)
    expect([...editor.chosen.value].sort()).toEqual([0, 1, 2])
    editor.moveSelected(editor.current.value!.tick, -8)
    expect(editor.chosen.value.size).toBe(3)
  })

  it('that was made by the gesture is gone where the gesture is given up', () => {
    const { editor, kept, ports } = lane([point(0, -6)])
    editor.grabNew(BAR, -3, false)
    expect([editor.selected.value, editor.drag.value?.fresh]).toEqual([1, true])
    editor.cancel()
    expect(ports.cancel).toHaveBeenCalled()
    expect([kept.value.length, editor.selected.value, editor.drag.value]).toEqual([1, -1, null])
  })

  it('that was made and dropped says so', () => {
    const { editor, steps, kept } = lane([point(0, -6)])
    editor.grabNew(BAR, -3, false)
    editor.dragTo(BAR, -9, false, null)
    editor.drop()
    expect(places(kept.value)).toEqual([
      [0, -6],
      [BAR, -9],
    ])
    expect(steps).toEqual(['Added a point at −9.0 dB, volume of Reed, bar 2'])
  })

  it('moves nothing where nothing is in hand', () => {
    const { editor, shown, steps } = lane([point(0, -6)])
    editor.dragTo(BAR, 0, false, null)
    editor.drop()
    expect([shown.value, steps]).toEqual([null, []])
  })

  it('is nudged, but never out of the song', () => {
    const { editor, kept } = lane([point(0, -6), point(7 * BAR, -6)])
    editor.select(1)
    editor.moveSelected(20 * BAR, -4)
    expect(places(kept.value)[1]).toEqual([LENGTH, -4])
    editor.select(-1)
    editor.moveSelected(0, 0)
    expect(places(kept.value)[1]).toEqual([LENGTH, -4])
  })

  it('is taken out, and the one before is selected then', () => {
    const { editor, kept, steps } = lane([point(0, -6), point(BAR, -3)])
    editor.select(1)
    editor.removeSelected()
    expect([places(kept.value), editor.selected.value]).toEqual([[[0, -6]], 0])
    editor.removeSelected()
    expect([kept.value, editor.selected.value, editor.current.value]).toEqual([[], -1, null])
    editor.removeSelected()
    expect(steps).toHaveLength(2)
  })

  it('is refused where a line is full, and the reason is told', () => {
    const full = Array.from({ length: 5000 }, (_, i) => point(i, 0))
    const { editor, refused, steps } = lane(full)
    editor.add(6000, 0, true)
    editor.grabNew(6001, 0, true)
    expect([refused.length, steps.length, editor.drag.value]).toEqual([2, 0, null])
    expect(refused[0]).toMatch(/5,?000/)
  })
})

describe('several points', () => {
  const four = [point(0, -6), point(BAR, -10), point(2 * BAR, -20), point(4 * BAR, 0)]

  it('are chosen by a box, one by one, and all at once', () => {
    const { editor } = lane(four)
    editor.choose(new Set([1, 2]))
    expect([editor.selected.value, editor.chosen.value.size]).toEqual([1, 2])
    editor.toggle(3)
    editor.toggle(1)
    expect([...editor.chosen.value].sort()).toEqual([2, 3])
    editor.chooseAll()
    expect(editor.chosen.value.size).toBe(4)
    editor.choose(new Set())
    expect(editor.selected.value).toBe(-1)
    editor.select(2)
    editor.toggle(0)
    expect([...editor.chosen.value].sort()).toEqual([0, 2])
  })

  it('move together: as far in time, and by as many dB', () => {
    const { editor, kept, steps } = lane(four)
    editor.choose(new Set([1, 2]))
    editor.grab(1)
    editor.dragTo(BAR + 960, -7, false, null)
    editor.drop()
    expect(places(kept.value)).toEqual([
      [0, -6],
      [BAR + 960, -7],
      [2 * BAR + 960, -17],
      [4 * BAR, 0],
    ])
    expect(steps).toEqual(['Moved 2 points, volume of Reed, bars 2 to 3'])
    editor.moveSelected(BAR, -10)
    expect(places(kept.value)).toEqual(places(four))
  })

  it('are left as they are by taking hold of another', () => {
    const { editor } = lane(four)
    editor.choose(new Set([1, 2]))
    editor.grab(3)
    expect([editor.chosen.value.size, editor.selected.value]).toEqual([0, 3])
  })

  it('get one value, and go together', () => {
    const { editor, kept, steps } = lane(four)
    editor.choose(new Set([0, 1]))
    editor.giveValue(-4)
    expect(places(kept.value).slice(0, 2)).toEqual([
      [0, -4],
      [BAR, -4],
    ])
    editor.removeSelected()
    expect(kept.value).toHaveLength(2)
    editor.select(0)
    editor.giveValue(-1)
    expect(steps.map((s) => s.split(',')[0])).toEqual([
      'Set 2 points to −4.0 dB',
      'Removed 2 points',
      'Set a point to −1.0 dB',
    ])
    editor.select(-1)
    editor.giveValue(0)
    expect(steps).toHaveLength(3)
  })
})

describe('the span after a point', () => {
  it('is bent by its middle, and straightened by its form', () => {
    const { editor, kept, steps } = lane([point(0, -30), point(4 * BAR, 0)])
    editor.grabMiddle(0)
    editor.dragTo(2 * BAR, -25, false, null)
    editor.drop()
    expect(kept.value[0]!.form).toBe('curve')
    expect(kept.value[0]!.bend).not.toBe(0)
    editor.setSelectedForm('straight', 0)
    expect(kept.value[0]).toMatchObject({ form: 'straight', bend: 0 })
    expect(steps.map((s) => s.split(',')[0])).toEqual(['Bent the line', 'Changed the shape'])
    editor.select(1)
    editor.setSelectedForm('jump', 0)
    expect(steps).toHaveLength(2)
  })
})

describe('the setting of the control', () => {
  let made: ReturnType<typeof lane>
  beforeEach(() => (made = lane([point(0, 0), point(4 * BAR, 0)])))

  it('is stamped as a point, inside the song', () => {
    made.editor.stampHere(2 * BAR + 0.4, 'point')
    expect(places(made.kept.value)).toContainEqual([2 * BAR, -6])
    made.editor.stampHere(100 * BAR, 'point')
    expect(made.kept.value.at(-1)!.tick).toBe(LENGTH)
  })

  it('is stamped as a jump: what was before stays', () => {
    made.editor.stampHere(2 * BAR, 'jump')
    const at = made.kept.value.findIndex((p) => p.tick === 2 * BAR)
    expect([made.kept.value[at]!.value, made.kept.value[at - 1]!.form]).toEqual([-6, 'jump'])
    expect(made.editor.selected.value).toBe(at)
  })
})

describe('stepping through points', () => {
  it('begins at an end and stops at the other', () => {
    const { editor } = lane([point(0, 0), point(BAR, 0), point(2 * BAR, 0)])
    editor.step(1)
    expect(editor.selected.value).toBe(0)
    for (let i = 0; i < 5; i++) editor.step(1)
    expect(editor.selected.value).toBe(2)
    editor.select(-1)
    editor.step(-1)
    expect(editor.selected.value).toBe(2)
    for (let i = 0; i < 5; i++) editor.step(-1)
    expect(editor.selected.value).toBe(0)
  })
})

describe('a point that is set far from others', () => {
  const at = (points: Points, tick: number) =>
    Math.round(valueAt(points, MIXER_CONTROLS.level.scale, tick) * 10) / 10

  it('changes its neighbourhood alone: the line stays until a step before, and is back a step after', () => {
    const { editor, kept } = lane([point(0, -6), point(8 * BAR, -6)], 'near')
    editor.add(4 * BAR, -20, false)
    expect(places(kept.value)).toEqual([
      [0, -6],
      [4 * BAR - 960, -6],
      [4 * BAR, -20],
      [4 * BAR + 960, -6],
      [8 * BAR, -6],
    ])
    expect(editor.current.value).toMatchObject({ tick: 4 * BAR, value: -20 })
    // near others it joins them
    editor.add(4 * BAR + 480, -12, true)
    expect(kept.value).toHaveLength(6)
  })

  it('begins a line without dragging the song along', () => {
    const { editor, kept } = lane([], 'near')
    editor.grabNew(4 * BAR, -20, false)
    editor.drop()
    expect([0, 4 * BAR - 960, 4 * BAR, 5 * BAR, 7 * BAR].map((t) => at(kept.value, t))).toEqual([
      -6, -6, -20, -6, -6,
    ])
  })

  it('goes on as far as the hand does, both ways, and no further', () => {
    const { editor, kept } = lane([], 'near')
    editor.grabNew(4 * BAR, -20, false)
    editor.dragTo(6 * BAR + 30, -24, false, null)
    editor.dragTo(2 * BAR, -12, false, null)
    editor.drop()
    const values = [BAR, 2 * BAR, 3 * BAR, 4 * BAR, 5 * BAR, 6 * BAR].map((t) => at(kept.value, t))
    expect(values).toEqual([-6, -12, -12, -12, -6, -6])
    expect(kept.value).toHaveLength(5)
  })

  it('goes on as it began where the hand comes near another point, and at the very beginning of the song', () => {
    const { editor, kept, steps } = lane([point(2 * BAR, -6), point(8 * BAR, -6)], 'near')
    editor.grabNew(5 * BAR, -20, false)
    editor.dragTo(2 * BAR + 960, -20, false, null)
    editor.drop()
    expect(steps).toHaveLength(1)
    expect([BAR, 2 * BAR + 960, 5 * BAR, 6 * BAR].map((t) => at(kept.value, t))).toEqual([-6, -20, -20, -6])
    const first = lane([], 'near')
    first.editor.grabNew(0, -90, false)
    first.editor.dragTo(BAR, -90, false, null)
    first.editor.drop()
    expect([0, BAR, BAR + 960, 4 * BAR].map((t) => at(first.kept.value, t))).toEqual([-90, -90, -6, -6])
  })

  it('holds from there on where that is chosen', () => {
    const { editor, kept } = lane([], 'on')
    editor.grabNew(4 * BAR, -20, false)
    editor.drop()
    expect([0, 3 * BAR, 4 * BAR, 7 * BAR].map((t) => at(kept.value, t))).toEqual([-6, -6, -20, -20])
  })

  it('joins the line where it is set on it: nothing is heard of it', () => {
    const line = [point(0, -6), point(8 * BAR, -30)]
    const { editor, kept } = lane(line, 'near')
    editor.grabNew(4 * BAR, null, false)
    editor.drop()
    expect(kept.value).toHaveLength(3)
    for (let tick = 0; tick <= 8 * BAR; tick += 1000) expect(at(kept.value, tick)).toBe(at(line, tick))
  })
})
