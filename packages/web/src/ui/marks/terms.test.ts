import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { glossary } from './glossary'
import { explained } from './terms'

const TERMS = ['true', 'true peak', 'LUFS', 'LU', 'range', 'Pan'].map((word) => ({ word, says: `${word}!` }))
const found = (text: string) =>
  explained(text, TERMS).flatMap(({ text: word, says }) => (says ? [[word, says]] : []))

describe('trade words in a text', () => {
  it('are found where they first stand, whole, the longer one before the shorter', () => {
    expect(found('−20 LUFS over the whole song, range 15 LU, 3 LU more; true peak −7.')).toEqual([
      ['LUFS', 'LUFS!'],
      ['range', 'range!'],
      ['LU', 'LU!'],
      ['true peak', 'true peak!'],
    ])
  })

  it('are no parts of other words, and none that is written another way', () => {
    expect(found('Orange lute, panned; it arranges LUFSAR')).toEqual([])
    expect(found('Range')).toEqual([['Range', 'range!']])
    expect(found('pan')).toEqual([])
  })

  it('leave the text as it is, and are explained once each', () => {
    const words = fc.array(fc.constantFrom('LUFS', 'a', ' ', 'range', 'true peak', '.', 'LU', 'Pan'))
    fc.assert(
      fc.property(words, (parts) => {
        const text = parts.join('')
        const pieces = explained(text, TERMS)
        expect(pieces.map((p) => p.text).join('')).toBe(text)
        const said = pieces.flatMap((p) => p.says ?? [])
        expect(new Set(said).size).toBe(said.length)
      }),
    )
  })

  it('are those of the glossary, each with a sentence', () => {
    expect(glossary().length).toBeGreaterThan(8)
    for (const { word, says } of glossary()) {
      expect(word).not.toBe('')
      expect(says).toMatch(/^[A-Z].*\.$/)
    }
  })
})
