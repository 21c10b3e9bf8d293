import { describe, expect, it } from 'vitest'
import { Played } from './played'

const played = (...ticks: number[]) => {
  const heard = new Played({ from: 4000, to: 12_000 })
  return ticks.map((t) => heard.at(t)).at(-1)
}
const run = (from: number, to: number) =>
  Array.from({ length: (to - from) / 100 + 1 }, (_, i) => from + i * 100)

describe('what was played of a span', () => {
  it('is enough once nearly all of it was heard', () => {
    expect(played(...run(4000, 9000))).toBe(false)
    expect(played(...run(3000, 11_500))).toBe(true)
  })

  it('does not count what was jumped over', () => {
    expect(played(4000, 11_900)).toBe(false)
    expect(played(...run(4000, 8000), 20_000, ...run(7000, 12_000))).toBe(true)
  })
})
