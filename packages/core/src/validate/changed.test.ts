import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../../scripts/lib/whole.mjs'
import { richMix } from '../../test/rich-mix'
import { smallSong } from '../../test/songs'
import { MIX_SCHEMA, PatchProblem, withPatch, type WorkDocument } from '../mix'
import { isChangedValid } from './changed'
import { checkChangedWork, checkMix, checkWork } from './index'

const song = smallSong()
const work: WorkDocument = {
  mix: richMix(song),
  notes: [{ id: 'n1', tick: 960, text: 'Softer here', done: false }],
}
const copyOf = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

/** Every place of a document, as JSON Pointers say it. */
function placesOf(value: unknown, path = ''): string[] {
  if (typeof value !== 'object' || value === null) return [path]
  return [path, ...Object.entries(value).flatMap(([key, inside]) => placesOf(inside, `${path}/${key}`))]
}
function valueAt(value: unknown, path: string): unknown {
  return path
    .split('/')
    .slice(1)
    .reduce((at, key) => (at as Record<string, unknown>)[key], value)
}

const ODD = [
  0,
  1,
  -1,
  0.5,
  7,
  1e9,
  -1e9,
  '',
  'x',
  'reed',
  'x'.repeat(2000),
  true,
  null,
  [],
  {},
  [{}],
  { id: 'x' },
]

/** One change: at some place of the document, to something odd or to what is at another place of it. */
const change = fc.record({
  op: fc.constantFrom('add', 'replace', 'remove'),
  at: fc.nat(),
  beside: fc.constantFrom('', '', '', '/0', '/-', '/x'),
  value: fc.oneof(
    fc.constantFrom(...ODD),
    fc.double({ min: -100, max: 100, noNaN: true }),
    fc.nat().map((from) => ({ from })),
  ),
})

const RUNS = WHOLE ? 400 : 120

describe('what changed of a work', () => {
  it('is found right or wrong exactly as the whole would be, with the same sentence, whatever was changed before', () => {
    const seen = { right: 0, wrong: 0 }
    fc.assert(
      fc.property(fc.array(change, { minLength: 1, maxLength: 12 }), (changes) => {
        let before = work
        for (const { op, at, beside, value } of changes) {
          const places = placesOf(before)
          const taken =
            typeof value === 'object' && value !== null && 'from' in value
              ? copyOf(valueAt(before, places[value.from % places.length]!))
              : value
          let after: unknown
          try {
            after = withPatch(before, [{ op, path: places[at % places.length]! + beside, value: taken }])
          } catch (error) {
            if (error instanceof PatchProblem) continue
            throw error
          }
          const changed = checkChangedWork(after, before, song)
          expect(changed).toEqual(checkWork(copyOf(after), song))
          seen[changed.ok ? 'right' : 'wrong']++
          if (changed.ok) before = changed.work
        }
      }),
      { numRuns: RUNS, seed: 20261130 },
    )
    // both happen often enough to mean something
    expect(seen.right).toBeGreaterThan(RUNS / 5)
    expect(seen.wrong).toBeGreaterThan(RUNS / 5)
  })

  it('is all that is looked at', () => {
    const never = new Proxy({}, { get: () => expect.fail('looked into what did not change') })
    const mix = work.mix
    const line = mix.envelopes[0]!
    const rest = Array.from({ length: 5 }, () => never)
    const before = {
      ...mix,
      tracks: rest,
      envelopes: [{ ...line, points: [...rest, ...line.points] }, ...rest],
    }
    const moved = { ...line.points[0]!, value: -3 }
    const after = {
      ...before,
      envelopes: [{ ...before.envelopes[0]!, points: [...rest, moved, line.points[1]!] }, ...rest],
    }
    expect(isChangedValid(MIX_SCHEMA, after, before)).toBe(true)
    const wrong = { ...moved, value: 'loud' }
    const spoilt = { ...line, points: [...rest, wrong, line.points[1]!] }
    expect(isChangedValid(MIX_SCHEMA, { ...before, envelopes: [spoilt, ...rest] }, before)).toBe(false)
  })

  it('is looked at as a whole where nothing is shared', () => {
    expect(isChangedValid(MIX_SCHEMA, copyOf(work.mix), undefined)).toBe(true)
    expect(isChangedValid(MIX_SCHEMA, copyOf(work.mix), {})).toBe(checkMix(copyOf(work.mix), song).ok)
    expect(isChangedValid(MIX_SCHEMA, { ...work.mix, version: 2 }, work.mix)).toBe(false)
  })
})
