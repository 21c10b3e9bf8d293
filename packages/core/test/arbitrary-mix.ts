/** Songs and mixes as they come, for properties: every one of them passes the checks of what is stored. */
import fc from 'fast-check'
import { allLanes, envelopeOf, resolve, withPoints, withSetting, type Mix } from '../src/mix'
import { letterOf, ROLES, type SongVersion } from '../src/song'
import { arbitraryPlaces, pointsOn } from './arbitrary-line'
import { richMix } from './rich-mix'
import { smallSong } from './songs'

/** What somebody may have called something. */
export const arbitraryName = fc
  .string({ unit: 'grapheme', minLength: 1, maxLength: 30 })
  .map((name) => name.trim())
  .filter((name) => name.length > 0)

const BAR = 3840

/** A song of two tracks whose tempo, meter, sections and names are whatever they are. */
export const arbitrarySong: fc.Arbitrary<SongVersion> = fc
  .record({
    title: arbitraryName,
    names: fc.tuple(arbitraryName, arbitraryName),
    roles: fc.tuple(fc.constantFrom(...ROLES), fc.constantFrom(...ROLES)),
    tempo: fc.uniqueArray(
      fc.record({
        bar: fc.integer({ min: 0, max: 3 }),
        bpm: fc.double({ min: 40, max: 200, noNaN: true }),
        form: fc.constantFrom('hold' as const, 'ramp' as const),
      }),
      { selector: ({ bar }) => bar, minLength: 1, maxLength: 4 },
    ),
    meter: fc.record({ beats: fc.integer({ min: 1, max: 12 }), unit: fc.constantFrom(2, 4, 8, 16) }),
    sections: fc.uniqueArray(fc.record({ bar: fc.integer({ min: 0, max: 3 }), name: arbitraryName }), {
      selector: ({ bar }) => bar,
      minLength: 1,
      maxLength: 4,
    }),
  })
  .map(({ title, names, roles, tempo, meter, sections }) => {
    const song = smallSong()
    const inTime = <T extends { bar: number }>(list: readonly T[]) =>
      list
        .toSorted((a, b) => a.bar - b.bar)
        // the first one is where the song begins
        .map((entry, i) => ({ ...entry, tick: i ? entry.bar * BAR : 0 }))
    return {
      ...song,
      title,
      tracks: song.tracks.map((track, i) => ({ ...track, name: names[i]!, role: roles[i]! })),
      tempo: inTime(tempo).map(({ tick, bpm, form }) => ({ tick, bpm, form })),
      meter: [{ tick: 0, ...meter }],
      sections: inTime(sections).map(({ tick, name }, i) => ({
        id: `s${i}`,
        letter: letterOf(i),
        name,
        tick,
      })),
    }
  })

const travel = fc.double({ min: 0, max: 1, noNaN: true })

/** A mix of a song that uses every part of the format, with some of its controls set and some of its lanes drawn. */
export const arbitraryMix = (song: SongVersion): fc.Arbitrary<Mix> => {
  const rich = richMix(song)
  const place = fc.nat(allLanes(rich).length - 1)
  return fc
    .record({
      settings: fc.array(fc.tuple(place, travel), { maxLength: 6 }),
      lines: fc.array(fc.tuple(place, arbitraryPlaces(song.length)), { maxLength: 5 }),
    })
    .map(({ settings, lines }) => {
      const scaleOf = (address: string) => resolve(rich, address)!.control.scale
      const set = settings.reduce((mix, [at, to]) => {
        const address = allLanes(mix)[at]!
        return withSetting(mix, address, scaleOf(address).toValue(to))
      }, rich)
      let fresh = 0
      return lines.reduce((mix, [at, drawn]) => {
        const address = allLanes(mix)[at]!
        if (envelopeOf(mix, address)?.open === false) return mix
        return withPoints(mix, address, pointsOn(scaleOf(address), drawn), () => `drawn-${fresh++}`)
      }, set)
    })
}

/** Both together. */
export const arbitraryMixed = arbitrarySong.chain((song) => arbitraryMix(song).map((mix) => ({ song, mix })))
