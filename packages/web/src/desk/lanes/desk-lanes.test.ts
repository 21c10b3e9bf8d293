import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  addLane,
  foldLane,
  kinOf,
  MOST_LANES,
  moveLane,
  oneLane,
  removeLane,
  resizeLane,
  showLane,
  type DeskLanes,
} from './desk-lanes'

const names = (lanes: DeskLanes) => lanes.map((l) => l.address).join(' ')
const three = addLane(addLane(oneLane('a'), 'a', 'b'), 'b', 'c')

describe('the lanes on the desk', () => {
  it('are shown in the place of another, or below it', () => {
    expect(names(showLane(three, 'b', 'x'))).toBe('a x c')
    expect(showLane(three, 'b', 'c')).toEqual(three)
    expect(names(addLane(three, 'a', 'x'))).toBe('a x b c')
  })

  it('have each a sign of their own among those of one family', () => {
    const family = (address: string) => (address === 'b' ? 'pan' : 'volume')
    expect(['a', 'b', 'c'].map((lane) => kinOf(three, lane, family))).toEqual([0, 0, 1])
    expect(kinOf(three, 'elsewhere', family)).toBe(0)
  })

  it('are four at most: a fifth takes the place of the one it was to stand below', () => {
    const four = addLane(three, 'c', 'd')
    expect(names(addLane(four, 'b', 'e'))).toBe('a e c d')
    expect(four).toHaveLength(MOST_LANES)
  })

  it('are taken away, but for the last', () => {
    expect(names(removeLane(three, 'b'))).toBe('a c')
    expect(names(removeLane(oneLane('a'), 'a'))).toBe('a')
  })

  it('fold to a line, but one stays open; showing a folded one unfolds it', () => {
    const folded = foldLane(foldLane(three, 'a', true), 'b', true)
    expect(foldLane(folded, 'c', true)).toBe(folded)
    expect(showLane(folded, 'c', 'a').map((l) => l.folded)).toEqual([false, true, false])
  })

  it('change places', () => {
    expect(names(moveLane(three, 'a', 1))).toBe('b a c')
    expect(moveLane(three, 'a', -1)).toBe(three)
  })

  it('share the height: what one gets the next one gives, and none vanishes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.double({ min: -1, max: 1, noNaN: true }))),
        (drags) => {
          const after = drags.reduce((lanes, [address, by]) => resizeLane(lanes, address, by), three)
          expect(after.reduce((sum, l) => sum + l.share, 0)).toBeCloseTo(3, 6)
          for (const { share } of after) expect(share).toBeGreaterThan(0.44)
        },
      ),
    )
    expect(resizeLane(three, 'c', 0.2)).toBe(three)
  })
})
