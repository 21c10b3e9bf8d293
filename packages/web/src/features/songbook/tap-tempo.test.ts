import { describe, expect, it } from 'vitest'
import { TapTempo } from './tap-tempo'

describe('a tempo from taps', () => {
  it('comes from the third tap on, and one late tap does not bend it', () => {
    const tap = new TapTempo()
    const said = [0, 500, 1000, 1500, 2130, 2500, 3000].map((at) => tap.tap(at))
    expect(said.slice(0, 3)).toEqual([null, null, 120])
    expect(said.at(-1)).toBe(120)
  })

  it('begins anew after a pause', () => {
    const tap = new TapTempo()
    for (const at of [0, 500, 1000]) tap.tap(at)
    expect([tap.tap(9000), tap.tap(9600), tap.tap(10_200)]).toEqual([null, null, 100])
    expect(new TapTempo().tap(5)).toBeNull()
  })
})
