import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { explained } from './terms'

const TERMS = [
  { name: 'true-peak', word: 'true peak' },
  { name: 'lufs', word: 'LUFS' },
  { name: 'lu', word: 'LU' },
  { name: 'range', word: 'range' },
  { name: 'pan', word: 'Pan' },
]
const found = (text: string) =>
  explained(text, TERMS).flatMap(({ text: word, term }) => (term ? [[word, term]] : []))

describe('trade words in a text', () => {
  it('are found where they first stand, whole, the longer one before the shorter', () => {
    expect(found('−20 LUFS over the whole song, range 15 LU, 3 LU more; true peak −7.')).toEqual([
      ['LUFS', 'lufs'],
      ['range', 'range'],
      ['LU', 'lu'],
      ['true peak', 'true-peak'],
    ])
  })

  it('are no parts of other words, and none that is written another way', () => {
    expect(found('Orange lute, panned; it arranges LUFSAR')).toEqual([])
    expect(found('Range')).toEqual([['Range', 'range']])
    expect(found('pan')).toEqual([])
  })

  it('leave the text as it is', () => {
    const words = fc.array(fc.constantFrom('LUFS', 'a', ' ', 'range', 'true peak', '.', 'LU', 'Pan'))
    fc.assert(
      fc.property(words, (parts) => {
        const text = parts.join('')
        const pieces = explained(text, TERMS)
        expect(pieces.map((p) => p.text).join('')).toBe(text)
        const terms = pieces.flatMap((p) => (p.term ? [p.term] : []))
        expect(new Set(terms).size).toBe(terms.length)
      }),
    )
  })
})
