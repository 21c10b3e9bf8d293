import { describe, expect, it } from 'vitest'
import {
  DamagedDocument,
  isText,
  listOf,
  readKept,
  readKeptOr,
  readMarks,
  readMix,
  readSong,
  readTexts,
} from '.'

const mix = {
  format: 'rudlo-mix',
  version: 1,
  tracks: [],
  returns: [],
  main: { level: 0 },
  envelopes: [],
  motifs: [],
  placements: [],
}

describe('reading what was kept', () => {
  it('gives what it should be', () => {
    expect(readMix(JSON.stringify(mix))).toEqual(mix)
    expect(readTexts('["a","b"]')).toEqual(['a', 'b'])
    expect(readMarks('{"fades":2}')).toEqual({ fades: 2 })
  })

  it.each([
    ['text that is cut off', JSON.stringify(mix).slice(0, -1)],
    ['another format', JSON.stringify({ ...mix, format: 'rudlo-song' })],
    ['a list', '[]'],
    ['nothing', 'null'],
    ['a part that is missing', JSON.stringify({ ...mix, envelopes: undefined })],
    ['a part of another kind', JSON.stringify({ ...mix, tracks: [1] })],
  ])('refuses %s', (_, text) => {
    expect(() => readMix(text)).toThrow(DamagedDocument)
  })

  it('does not take one document for another', () => {
    expect(() => readSong(JSON.stringify(mix))).toThrow('What was kept as a song is damaged.')
    expect(() => readMarks('{"fades":"good"}')).toThrow(DamagedDocument)
  })

  it('gives something else in its place where that does', () => {
    expect(readKeptOr('[1]', listOf(isText), null)).toBeNull()
    expect(readKeptOr(null, listOf(isText), [])).toEqual([])
    expect(readKept('["x"]', listOf(isText), 'names')).toEqual(['x'])
  })
})
