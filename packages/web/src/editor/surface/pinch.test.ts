import { beforeEach, describe, expect, it } from 'vitest'
import { pinchOf } from './pinch'

describe('two fingers', () => {
  let said: string[]
  let pinch: ReturnType<typeof pinchOf>

  beforeEach(() => {
    said = []
    pinch = pinchOf({
      begin: () => said.push('begin'),
      zoom: (x, factor) => said.push(`zoom ${x} ${factor.toFixed(2)}`),
      scroll: (px) => said.push(`scroll ${px}`),
    })
  })

  it('mean nothing while only one is down', () => {
    expect(pinch.down(1, { x: 100, y: 0 })).toBe(false)
    expect(pinch.move(1, { x: 150, y: 0 })).toBe(false)
    expect(said).toEqual([])
  })

  it('scroll by their middle and zoom by their distance', () => {
    pinch.down(1, { x: 100, y: 0 })
    expect(pinch.down(2, { x: 200, y: 0 })).toBe(true)
    expect(pinch.move(2, { x: 300, y: 0 })).toBe(true)
    expect(said).toEqual(['begin', 'scroll -50', 'zoom 200 2.00'])
  })

  it('are over when both are lifted: one left alone edits nothing', () => {
    pinch.down(1, { x: 100, y: 0 })
    pinch.down(2, { x: 200, y: 0 })
    pinch.up(2)
    said.length = 0
    expect(pinch.move(1, { x: 120, y: 0 })).toBe(true)
    pinch.up(1)
    expect(pinch.down(3, { x: 0, y: 0 })).toBe(false)
    expect(said).toEqual([])
  })
})
