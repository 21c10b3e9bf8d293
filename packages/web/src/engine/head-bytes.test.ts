import { describe, expect, it } from 'vitest'
import { headBytes } from './head-bytes'

const song = (stems: number, minutes: number, channels: 1 | 2) =>
  Array.from({ length: stems }, () => ({ channels, frames: minutes * 60 * 44_100 }))

describe('the beginning of a recording', () => {
  it('is short where all of it comes soon, and longer where much has to come', () => {
    const sizes = [song(1, 1, 1), song(8, 1.3, 1), song(12, 2, 1), song(12, 4, 2), song(24, 6, 2)].map(
      headBytes,
    )
    expect(sizes).toEqual(sizes.toSorted((a, b) => a - b))
    expect(sizes.slice(0, 2)).toEqual([65_536, 65_536])
    expect(sizes[2]!).toBeGreaterThan(65_536)
    expect(sizes.slice(3)).toEqual([262_144, 262_144])
  })

  it('is whole bytes, also of nothing', () => {
    expect(headBytes([])).toBe(65_536)
    expect(Number.isInteger(headBytes(song(11, 2.37, 1)))).toBe(true)
  })
})
