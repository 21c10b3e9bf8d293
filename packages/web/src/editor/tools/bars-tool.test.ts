import type { LineSpan } from '@rudlo/core/envelope'
import { MeterMap, snapTick } from '@rudlo/core/time'
import { describe, expect, it } from 'vitest'
import type { LanePointer } from '../surface/lane-pointer'
import { barsTool } from './bars-tool'

const BAR = 3840
const meter = new MeterMap([{ tick: 0, beats: 4, unit: 4 }])

/** A hand over eight bars of which each is 100 px wide. */
function bars(things = false, offered: LineSpan | null = null) {
  let selection: LineSpan | null = null
  let acts = 0
  const tool = barsTool({
    meter: () => meter,
    songLength: () => 8 * BAR,
    snap: (tick, free) => (free ? tick : snapTick(meter, 'beat', tick)),
    snapsToThings: () => things,
    ticksOf: (px) => (px * BAR) / 100,
    selection: () => selection,
    here: () => 2.5 * BAR,
    select: (span) => (selection = span),
    offered: () => offered,
    act: () => acts++,
  })
  const pointer = (bar: number, more: Partial<LanePointer> = {}): LanePointer => {
    const place = { x: (bar - 1) * 100, y: 10, tick: (bar - 1) * BAR, travel: 0.5 }
    return { ...place, by: 'mouse', shift: false, alt: false, ctrl: false, trail: [place], ...more }
  }
  return {
    tool,
    /** What is selected after a key, and how often what can be done was gone on to. */
    key(key: string) {
      tool.key!({ key } as KeyboardEvent)
      return [selection && [selection.from / BAR + 1, selection.to / BAR + 1], acts]
    },
    drag(from: number, to: number, more: Partial<LanePointer> = {}) {
      tool.down(pointer(from, more))
      tool.move(pointer(to, more))
      tool.up(pointer(to, more))
      return selection && [selection.from / BAR + 1, selection.to / BAR + 1]
    },
  }
}

describe('bars that are dragged over', () => {
  it('are whole ones, whatever the grid is, in both directions', () => {
    expect(bars().drag(3.3, 5.6)).toEqual([3, 6])
    expect(bars().drag(5.6, 3.3)).toEqual([3, 6])
    expect(bars().drag(4.4, 4.4)).toEqual([4, 5])
    expect(bars().drag(7.2, 8.9)).toEqual([7, 9])
  })

  it('end on the line that was meant: a finger that lands a little off still means it', () => {
    expect(bars().drag(5, 9.02)).toEqual([5, 9])
    expect(bars().drag(5.02, 7.04)).toEqual([5, 7])
    expect(bars().drag(4.9, 7.1, { by: 'finger' })).toEqual([5, 7])
    expect(bars().drag(4.9, 7.1)).toEqual([4, 8])
  })

  it('are from beat to beat with Alt, and from thing to thing where places snap to something', () => {
    expect(bars().drag(3.26, 5.49, { alt: true })).toEqual([3.25, 5.5])
    expect(bars(true).drag(3.26, 5.49)).toEqual([3.25, 5.5])
  })

  it('are made longer and shorter by their ends', () => {
    const hand = bars()
    hand.drag(3.5, 4.5)
    expect(hand.drag(5, 7.4)).toEqual([3, 7])
    expect(hand.drag(3, 2.1)).toEqual([2, 7])
    expect(hand.drag(7, 1.2)).toEqual([1, 2])
  })

  it('begin at the play position with keys, and go on from bar to bar', () => {
    const hand = bars()
    const press = (key: string, shiftKey = false) =>
      hand.tool.key!({ key, shiftKey, ctrlKey: false, metaKey: false, altKey: false } as KeyboardEvent)
    press('ArrowRight')
    press('ArrowRight')
    press('ArrowRight', true)
    expect(hand.drag(6, 6.9)).toEqual([4, 7])
    expect([press('x'), press('Escape')]).toEqual([false, true])
  })
})

describe('Enter', () => {
  it('takes the bars of the task, and goes on to what can be done with them', () => {
    const { key } = bars(false, { from: BAR, to: 3 * BAR })
    expect(key('Enter')).toEqual([[2, 4], 0])
    expect(key('Enter')).toEqual([[2, 4], 1])
  })

  it('takes the bar that is played where no task has any', () => {
    expect(bars().key('Enter')).toEqual([[3, 4], 0])
  })
})
