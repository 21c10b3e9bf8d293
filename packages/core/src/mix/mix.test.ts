import fc from 'fast-check'
import fastJsonPatch, { type Operation } from 'fast-json-patch'
import { describe, expect, it } from 'vitest'
import { EditRefused, point } from '../envelope'
import { richMix } from '../../test/rich-mix'
import { smallSong, withLine } from '../../test/songs'
import { checkMix, checkWork } from '../validate'
import {
  envelopeOf,
  LIMITS,
  lineInCharge,
  PATCH_LIMITS,
  patchBetween,
  PatchProblem,
  plainMix,
  resolve,
  trackLevel,
  upgradeMix,
  withLane,
  withLineShown,
  withPatch,
  withPoints,
} from '.'

const song = smallSong()
const plain = plainMix(song)

const rich = richMix(song)

/** The mix as JSON with something changed. */
const broken = (change: (mix: Record<string, never>) => void): unknown => {
  const copy = structuredClone<object>(rich) as Record<string, never>
  change(copy)
  return copy
}
const at = (mix: unknown, ...path: (string | number)[]): Record<string, unknown> =>
  path.reduce((o, key) => (o as Record<string | number, never>)[key], mix) as Record<string, unknown>

describe('checkMix', () => {
  it('takes a plain mix and one that uses every part of the format', () => {
    for (const mix of [plain, rich]) {
      expect(checkMix(JSON.parse(JSON.stringify(mix)), song)).toEqual({ ok: true, mix })
    }
  })

  it.each<[string, (m: Record<string, never>) => void, RegExp]>([
    [
      'points out of order',
      (m) => (at(m, 'envelopes', 0, 'points', 1)['tick'] = 0),
      /Envelope 1 .*point 2 is not after/,
    ],
    [
      'a value that is no number',
      (m) => (at(m, 'envelopes', 0, 'points', 0)['value'] = null),
      /envelopes › 0 › points › 0 › value/,
    ],
    [
      'a value out of range',
      (m) => (at(m, 'envelopes', 0, 'points', 0)['value'] = 7),
      /point 1 is outside −?-?90 to 6/,
    ],
    ['a fraction of a tick', (m) => (at(m, 'envelopes', 0, 'points', 0)['tick'] = 0.5), /integer/],
    ['a form there is not', (m) => (at(m, 'envelopes', 0, 'points', 0)['form'] = 'wave'), /form/],
    [
      'an unknown effect',
      (m) => (at(m, 'tracks', 0, 'effects', 0)['kind'] = 'fuzz'),
      /tracks › 0 › effects › 0/,
    ],
    ['an unknown parameter', (m) => (at(m, 'tracks', 0, 'effects', 1, 'params')['drive'] = 1), /drive/],
    [
      'a missing parameter',
      (m) => delete at(m, 'tracks', 0, 'effects', 1, 'params')['frequency'],
      /frequency/,
    ],
    ['something nobody knows', (m) => (at(m)['colour'] = 'red'), /colour/],
    ['a track that the song lacks', (m) => (at(m, 'tracks', 0)['id'] = 'other'), /not those of the song/],
    [
      'audio that the song lacks',
      (m) => (at(m, 'tracks', 0, 'regions', 0)['asset'] = 'c'.repeat(64)),
      /does not have/,
    ],
    ['a region past its audio', (m) => (at(m, 'tracks', 0, 'regions', 0)['offset'] = 9), /past the end/],
    [
      'fades longer than the region',
      (m) => (at(m, 'tracks', 0, 'regions', 0)['fadeIn'] = 400_000),
      /fades of region/,
    ],
    ['an id used twice', (m) => (at(m, 'envelopes', 1)['id'] = 'e1'), /"e1" is used twice/],
    [
      'two lines for one control',
      (m) => (at(m, 'envelopes', 1)['address'] = 'track/reed/level'),
      /two envelopes/,
    ],
    ['a line for nothing', (m) => (at(m, 'envelopes', 3)['address'] = 'track/reed/volume'), /does not have/],
    [
      'a send that leads back',
      (m) => (at(m, 'returns', 1)['sends'] = [{ ...rich.returns[0]!.sends[0]!, id: 's', to: 'echo' }]),
      /lead back/,
    ],
    ['a send to nowhere', (m) => (at(m, 'tracks', 0, 'sends', 0)['to'] = 'cellar'), /does not exist/],
    [
      'a placement of nothing',
      (m) => (at(m, 'placements', 0)['motif'] = 'm2'),
      /refers to something that is gone/,
    ],
    ['a newer version', (m) => (at(m)['version'] = 2), /newer Rudlo/],
    ['another format', (m) => (at(m)['format'] = 'sheet'), /not a Rudlo mix/],
    [
      '5,001 points',
      (m) => (at(m, 'envelopes', 0)['points'] = Array.from({ length: 5001 }, (_, i) => point(i, 0))),
      /envelopes › 0 › points.*5000/,
    ],
    [
      'too many points together',
      (m) => {
        const words = ['level', 'gain', 'pan', 'width', 'mute']
        const line = (track: string) =>
          words.map((word) => ({
            id: `${track}-${word}`,
            address: `track/${track}/${word}`,
            on: true,
            open: true,
            points: Array.from({ length: 4001 }, (_, i) => point(i, 0)),
          }))
        at(m)['envelopes'] = line('reed')
        at(m)['placements'] = []
      },
      /20005 points; 20000/,
    ],
  ])('refuses %s, and names the place', (_, change, sentence) => {
    const result = checkMix(broken(change), song)
    expect(result).toMatchObject({ ok: false })
    expect((result as { problem: string }).problem).toMatch(sentence)
  })

  it('refuses what is no document at all', () => {
    for (const nothing of [null, 5, 'mix', [], {}]) expect(checkMix(nothing, song).ok).toBe(false)
  })

  it('checks the notes of a work too', () => {
    const note = { id: 'n1', tick: 10, text: 'too loud here', done: false }
    expect(checkWork({ mix: plain, notes: [note] }, song).ok).toBe(true)
    expect(checkWork({ mix: plain, notes: [{ ...note, tick: -1 }] }, song)).toMatchObject({ ok: false })
    expect(checkWork({ mix: plain }, song)).toMatchObject({ ok: false })
  })
})

describe('upgradeMix', () => {
  it('brings the oldest form to today’s', () => {
    const old = structuredClone<object>(plain) as Record<string, never>
    at(old)['version'] = 0
    for (const track of [0, 1])
      for (const word of ['level', 'fadeIn', 'fadeOut']) delete at(old, 'tracks', track, 'regions', 0)[word]
    expect(upgradeMix(old)).toEqual(plain)
    expect(checkMix(old, song).ok).toBe(true)
  })
})

describe('addresses', () => {
  it('find every control of a mix, with its setting', () => {
    expect(resolve(rich, 'track/reed/pan')).toMatchObject({ setting: 0, owner: 'reed' })
    expect(resolve(rich, 'send/send-1/level')).toMatchObject({ setting: -12, owner: 'pad' })
    expect(resolve(rich, 'send/echo-hall/on')).toMatchObject({ setting: 0, owner: 'echo' })
    expect(resolve(rich, 'effect/fx-filter/frequency')).toMatchObject({ setting: 20_000 })
    expect(resolve(rich, 'effect/fx-eq/wet')).toMatchObject({ setting: 1 })
    expect(resolve(rich, 'main/level')).toMatchObject({ setting: 0, owner: null })
  })

  it('find nothing that is not there', () => {
    const nowhere = [
      '',
      'track',
      'track/reed',
      'track/none/level',
      'track/reed/constructor',
      'return/echo/width',
      'effect/fx-eq/size',
      'track/reed/level/more',
      'send/send-0/tap',
    ]
    expect(nowhere.map((a) => resolve(rich, a))).toEqual(nowhere.map(() => null))
  })
})

describe('lanes', () => {
  it('share everything that an edit does not touch', () => {
    const next = withLine(song, 'reed', [point(0, -6)], plain)
    expect(next.tracks).toBe(plain.tracks)
    expect(envelopeOf(next, trackLevel('reed'))?.points).toHaveLength(1)
    expect(
      withPoints(next, trackLevel('reed'), envelopeOf(next, trackLevel('reed'))!.points, () => 'x'),
    ).toBe(next)
  })

  it('are in charge only while on and not empty', () => {
    const next = withLine(song, 'reed', [point(0, -6)], plain)
    expect(lineInCharge(next, trackLevel('reed'))).toBeDefined()
    expect(
      lineInCharge(withLane(next, trackLevel('reed'), { on: false }), trackLevel('reed')),
    ).toBeUndefined()
    expect(lineInCharge(withLine(song, 'reed', []), trackLevel('reed'))).toBeUndefined()
  })

  it('refuse what is locked and what would pass a limit', () => {
    const locked = withLane(withLine(song, 'reed', []), trackLevel('reed'), { open: false })
    expect(() => withPoints(locked, trackLevel('reed'), [point(0, 0)], () => 'x')).toThrow('locked')
    const many = Array.from({ length: LIMITS.pointsPerEnvelope + 1 }, (_, i) => point(i, 0))
    expect(() => withLine(song, 'reed', many)).toThrow(EditRefused)
  })

  it('can be shown beside the mix, even where a lane is locked or off, but never past a limit', () => {
    const own = withLine(song, 'reed', [point(0, -6)])
    const closed = withLane(own, trackLevel('reed'), { open: false, on: false })
    const shown = withLineShown(closed, trackLevel('reed'), [point(0, -20)])
    expect(lineInCharge(shown, trackLevel('reed'))!.points).toEqual([point(0, -20)])
    expect(envelopeOf(closed, trackLevel('reed'))).toMatchObject({ open: false, points: [point(0, -6)] })
    expect(envelopeOf(withLineShown(own, 'track/reed/pan', [point(0, 1)]), 'track/reed/pan')).toBeDefined()
    const many = Array.from({ length: LIMITS.pointsPerEnvelope + 1 }, (_, i) => point(i, 0))
    expect(() => withLineShown(closed, trackLevel('reed'), many)).toThrow(EditRefused)
  })
})

describe('patchBetween', () => {
  const json = fc
    .jsonValue({ maxDepth: 3, stringUnit: 'grapheme-ascii' })
    .filter((value) => !JSON.stringify(value).includes('__proto__'))

  it('leads from any document to any other', () => {
    fc.assert(
      fc.property(json, json, (before, after) => {
        const patch = patchBetween({ root: before }, { root: after }) as Operation[]
        const start = structuredClone({ root: before }) as object
        const reached = fastJsonPatch.applyPatch(start, patch, true).newDocument
        expect(JSON.parse(JSON.stringify(reached))).toEqual(JSON.parse(JSON.stringify({ root: after })))
      }),
    )
  })

  it('is one operation for a point put into a long line', () => {
    const points = Array.from({ length: 1000 }, (_, i) => point(i * 10, -6))
    const more = [...points.slice(0, 500), point(5005 - 8, 0), ...points.slice(500)]
    const patch = patchBetween(withLine(song, 'reed', points), withLine(song, 'reed', more))
    expect(patch).toEqual([{ op: 'add', path: '/envelopes/0/points/500', value: more[500] }])
  })

  it('leads from one document to another by the own way of applying it, and leaves the first as it was', () => {
    const json = fc.jsonValue({ maxDepth: 4 })
    fc.assert(
      fc.property(json, json, (before, after) => {
        const plain = (value: unknown) => structuredClone(value) as object
        const start = plain({ root: before })
        const copy = plain(start)
        const goal = plain({ root: after })
        expect(plain(withPatch(start, patchBetween(start, goal)))).toEqual(goal)
        expect(start).toEqual(copy)
      }),
    )
  })

  it('stays within what a patch may ask for, however much of the largest mix changes', () => {
    const line = (shift: number) => Array.from({ length: 450 }, (_, i) => point(i * 10 + shift, -6 - shift))
    const many = (shift: number) => ({
      mix: { envelopes: Array.from({ length: 128 }, (_, k) => ({ id: `e${k}`, points: line(shift) })) },
      notes: [],
    })
    const patch = patchBetween(many(0), many(1))
    expect(patch.length).toBeLessThanOrEqual(PATCH_LIMITS.operations)
    expect(withPatch(many(0), patch)).toEqual(many(1))
    const all = { points: Array.from({ length: 5000 }, (_, i) => point(i, 0)) }
    expect(patchBetween(all, { points: all.points.map((p) => ({ ...p, value: -1 })) })).toHaveLength(1)
  })

  it('is empty where nothing changed', () => {
    expect(patchBetween(rich, JSON.parse(JSON.stringify(rich)))).toEqual([])
  })
})

describe('a patch that was sent', () => {
  const document = { list: Array.from({ length: 100 }, (_, i) => i), record: { a: { b: 1 } } }

  it('does what RFC 6902 says of add, replace and remove', () => {
    const place = fc.constantFrom(
      '/list/0',
      '/list/50',
      '/list/100',
      '/list/-',
      '/record/a',
      '/record/c',
      '/record/a/b',
    )
    const operation = fc.oneof(
      fc.record({ op: fc.constantFrom('add', 'replace'), path: place, value: fc.jsonValue({ maxDepth: 2 }) }),
      fc.record({ op: fc.constant('remove'), path: place }),
    )
    fc.assert(
      fc.property(fc.array(operation, { maxLength: 8 }), (patch) => {
        const plain = (value: unknown) => structuredClone(value) as object
        let wanted: unknown = 'refused'
        try {
          wanted = fastJsonPatch.applyPatch(plain(document), plain(patch) as Operation[], true).newDocument
        } catch {
          // the reference refuses it
        }
        let made: unknown = 'refused'
        try {
          made = withPatch(document, plain(patch) as unknown[])
        } catch (error) {
          expect(error).toBeInstanceOf(PatchProblem)
        }
        expect(made).toEqual(wanted)
      }),
    )
  })

  it.each([
    ['copies', { op: 'copy', from: '/list', path: '/record/a' }],
    ['moves', { op: 'move', from: '/list', path: '/list/0' }],
    ['tests', { op: 'test', path: '/list/0', value: 0 }],
    ['reaches for a prototype', { op: 'add', path: '/__proto__/x', value: 1 }],
    ['sets a prototype', { op: 'add', path: '/record/__proto__', value: { x: 1 } }],
    ['reaches for what is inherited', { op: 'replace', path: '/record/constructor/name', value: 1 }],
    ['has an index that is none', { op: 'add', path: '/list/01', value: 1 }],
    ['has an index beyond the end', { op: 'add', path: '/list/101', value: 1 }],
    ['adds nothing', { op: 'add', path: '/list/0' }],
    ['has no path', { op: 'remove' }],
    ['goes too deep', { op: 'add', path: '/a'.repeat(99), value: 1 }],
    ['leaves nothing', { op: 'remove', path: '' }],
    ['is nothing', null],
  ])('is refused where it %s, and says which operation', (_, operation) => {
    const patch = [{ op: 'replace', path: '/list/0', value: 7 }, operation]
    expect(() => withPatch(document, patch)).toThrow(expect.objectContaining({ index: 1 }))
    expect(document.list[0]).toBe(0)
    expect(Object.prototype).not.toHaveProperty('x')
  })

  it('is refused before it asks for too much', () => {
    const empty = { list: [] as number[] }
    const front = Array.from({ length: 20_000 }, () => ({ op: 'add', path: '/list/0', value: 0 }))
    expect(() => withPatch(empty, front)).toThrow(/asks for too much/)
    expect(() => withPatch(empty, [...front, front[0]])).toThrow(/too many changes/)
    const lists = { lists: Array.from({ length: 3000 }, () => Array.from({ length: 1000 }, () => 0)) }
    const touchAll = lists.lists.map((_, i) => ({ op: 'replace', path: `/lists/${i}/0`, value: 1 }))
    expect(() => withPatch(lists, touchAll)).toThrow(/asks for too much/)
  })
})
