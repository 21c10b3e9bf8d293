import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { TempoChange } from './tempo-map'
import { tempoRuns } from './tempo-runs'

const at = (bar: number, bpm: number, form: TempoChange['form'] = 'hold'): TempoChange => ({
  tick: (bar - 1) * 3840,
  bpm,
  form,
})
const told = (tempo: readonly TempoChange[]) =>
  tempoRuns(tempo, 3840).map((r) => `${r.changes.length}: ${r.from} ${r.gradual ? '~' : '→'} ${r.to}`)

describe('tempo changes as they are told', () => {
  it('are one ritardando where a file has sixteen steps', () => {
    const steps = Array.from({ length: 16 }, (_, i) => at(28 + i / 4, 118 - 2 * i))
    expect(told([at(1, 120), ...steps])).toEqual(['16: 120 ~ 88'])
  })

  it('are one by one where they do not belong together', () => {
    expect(told([at(1, 120), at(9, 90), at(17, 120)])).toEqual(['1: 120 → 90', '1: 90 → 120'])
    expect(told([at(1, 120, 'ramp'), at(9, 90)])).toEqual(['1: 120 ~ 90'])
    expect(told([at(1, 120)])).toEqual([])
    // down and up again are two
    const down = [at(5, 110), at(6, 100), at(7, 90)]
    const up = [at(8, 95), at(9, 105), at(10, 120)]
    expect(told([at(1, 120), ...down, ...up])).toEqual(['3: 120 ~ 90', '3: 90 ~ 120'])
  })

  it('leave nothing out and tell nothing twice', () => {
    const change = fc.record({
      gap: fc.integer({ min: 1, max: 8000 }),
      bpm: fc.integer({ min: 40, max: 200 }),
      form: fc.constantFrom('hold' as const, 'ramp' as const),
    })
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 30 }), (list) => {
        let tick = 0
        const tempo = list.map(({ gap, bpm, form }, i) => ({ tick: i ? (tick += gap) : 0, bpm, form }))
        expect(tempoRuns(tempo, 960).flatMap((r) => r.changes)).toEqual(tempo.slice(1))
      }),
    )
  })
})
