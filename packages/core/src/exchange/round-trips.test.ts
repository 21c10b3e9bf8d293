import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitraryMixed, arbitraryName, arbitrarySong } from '../../test/arbitrary-mix'
import { withANote } from '../../test/with-a-note'
import { readMidi, writeMidi } from '../midi'
import { plainMix, type Mix } from '../mix'
import { readTable } from '../roster'
import { songTime } from '../song'
import { readMix, readSong, readWork } from '../stored'
import { readSurface, STRIPS, writeSurface, type Source, type SurfaceMap } from '../surface'
import { checkMix, checkSong, checkWork } from '../validate'
import {
  csvText,
  linesFromCsv,
  linesFromJson,
  linesToCsv,
  linesToJson,
  overviewOf,
  packBundle,
  packOverview,
  unpackBundle,
  unpackOverview,
} from '.'

const through = (value: unknown): unknown => JSON.parse(JSON.stringify(value))
const drawn = ({ envelopes }: Mix) =>
  Object.fromEntries(envelopes.filter((e) => e.points.length).map((e) => [e.address, e.points]))
const without = (mix: Mix): Mix => ({ ...mix, envelopes: mix.envelopes.map((e) => ({ ...e, points: [] })) })
const fresh = () => {
  let n = 0
  return () => `new-${n++}`
}

describe('what is written comes back as it was', () => {
  it('a song, as it is stored', () => {
    fc.assert(
      fc.property(arbitrarySong, (song) => {
        expect(readSong(JSON.stringify(song))).toEqual(song)
        expect(checkSong(through(song))).toEqual({ ok: true, song })
      }),
    )
  })

  it('a mix and a work, as they are stored', () => {
    const notes = fc.array(
      fc.record({ tick: fc.integer({ min: 0, max: 15_360 }), text: arbitraryName, done: fc.boolean() }),
      { maxLength: 4 },
    )
    fc.assert(
      fc.property(arbitraryMixed, notes, ({ song, mix }, list) => {
        const work = { mix, notes: list.map((note, i) => ({ id: `n${i}`, ...note })) }
        expect(readMix(JSON.stringify(mix))).toEqual(mix)
        expect(checkMix(through(mix), song)).toEqual({ ok: true, mix })
        expect(readWork(JSON.stringify(work))).toEqual(work)
        expect(checkWork(through(work), song)).toEqual({ ok: true, work })
      }),
    )
  })

  it('a bundle, with every byte of its audio', () => {
    const bytes = fc.uint8Array({ maxLength: 200 })
    fc.assert(
      fc.property(arbitraryMixed, bytes, bytes, ({ song, mix }, first, second) => {
        const audio = new Map(song.assets.map(({ id }, i) => [id, i ? second : first]))
        expect(unpackBundle(packBundle({ song, mix, audio }))).toEqual({ song, mix, audio })
      }),
      { numRuns: 50 },
    )
  })

  it('lines, as a table and as JSON', () => {
    fc.assert(
      fc.property(arbitraryMixed, ({ song, mix }) => {
        const table = linesFromCsv(song, without(mix), linesToCsv(song, mix), fresh())
        const json = linesFromJson(without(mix), JSON.stringify(linesToJson(mix)), fresh())
        for (const { mix: again, unknown } of [table, json]) {
          expect(drawn(again)).toEqual(drawn(mix))
          expect(unknown).toEqual([])
        }
      }),
    )
  })

  it('tempo, meter and sections in a MIDI file, to a few milliseconds at every bar', () => {
    fc.assert(
      fc.property(arbitrarySong, (song) => {
        const again = readMidi(withANote(writeMidi(song, plainMix(song), true)))
        expect(again.meter).toEqual(song.meter)
        expect(again.markers.map(({ tick }) => tick)).toEqual(song.sections.map(({ tick }) => tick))
        const [before, after] = [songTime(song), songTime({ ...song, tempo: again.tempo })]
        // a ramp goes in steps of a sixteenth
        for (let bar = 0; bar <= 4; bar++)
          expect(after.tempo.secondsAt(bar * 3840)).toBeCloseTo(before.tempo.secondsAt(bar * 3840), 2)
      }),
    )
  })

  it('a map of a control surface', () => {
    const channel = fc.nat(15)
    const source = fc.oneof(
      fc.constant(null),
      fc.record({ kind: fc.constant('bend' as const), channel }),
      fc.record({ kind: fc.constant('control' as const), channel, controller: fc.nat(127) }),
      fc.record({ kind: fc.constant('fine control' as const), channel, controller: fc.nat(31) }),
    ) satisfies fc.Arbitrary<Source | null>
    const note = fc.option(fc.record({ channel, note: fc.nat(127) }))
    const strips = <T>(of: fc.Arbitrary<T>) => fc.array(of, { minLength: STRIPS, maxLength: STRIPS })
    const map: fc.Arbitrary<SurfaceMap> = fc.record({
      name: arbitraryName,
      faders: strips(source),
      knobs: strips(source),
      touches: strips(note),
      motors: fc.boolean(),
      back: note,
      forth: note,
    })
    fc.assert(
      fc.property(map, (before) => {
        expect(readSurface(through(writeSurface(before)))).toEqual(before)
      }),
    )
  })

  it('the overview of a recording', () => {
    const sample = fc.integer({ min: -32_768, max: 32_767 })
    fc.assert(
      fc.property(fc.array(sample, { minLength: 1, maxLength: 2000 }), fc.boolean(), (list, isStereo) => {
        const side = Int16Array.from(list)
        const overview = overviewOf(isStereo ? [side, side.toReversed()] : [side])
        expect(unpackOverview(packOverview(overview), side.length)).toEqual(overview)
      }),
    )
  })

  it('a table, read as a roster is read', () => {
    // a cell that a spreadsheet would run gets a mark before it, and what lies around a cell is trimmed
    const cell = arbitraryName.filter((text) => !/^[=+\-@'\t\r]/.test(text) && !/[\0\r\n\ufffd]/.test(text))
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 6 }), (rows) => {
        const table = [['first name', 'last name'], ...rows.map((row) => [...row])]
        const { cells, problem } = readTable(csvText(table))
        // after the last line nothing comes
        expect([cells.slice(0, -1), problem]).toEqual([table, null])
      }),
    )
  })
})
