import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { plainMix } from '../mix'
import { checkMix, checkSong } from '../validate'
import { smallSong } from '../../test/songs'
import { packBundle, unpackBundle } from '.'

const song = smallSong()
const mix = plainMix(song)
const audio = new Map(song.assets.map(({ id }, i) => [id, Uint8Array.of(i, 1, 2, 3)]))
const whole = packBundle({ song, mix, audio })
const json = (value: unknown) => strToU8(JSON.stringify(value))
const files = () => ({
  'bundle.json': json({ format: 'rudlo-bundle', version: 1, title: '' }),
  'song.json': json(song),
  'mix.json': json(mix),
  ...Object.fromEntries([...audio].map(([id, bytes]) => [`audio/${id}.flac`, bytes])),
})
const zip = (changed: Record<string, Uint8Array | undefined>) =>
  zipSync(
    Object.fromEntries(
      Object.entries({ ...files(), ...changed }).flatMap(([name, bytes]) => (bytes ? [[name, bytes]] : [])),
    ),
  )

describe('a bundle', () => {
  it('comes out as it went in', () => {
    const parts = unpackBundle(whole)
    expect(parts.song).toEqual(song)
    expect(parts.mix).toEqual(mix)
    expect(parts.audio).toEqual(audio)
    expect(checkSong(parts.song)).toEqual({ ok: true, song })
    expect(checkMix(parts.mix, song)).toEqual({ ok: true, mix })
  })

  it('is the same file whenever it is packed', () => {
    expect(packBundle({ song, mix, audio })).toEqual(whole)
  })

  it('is not packed without all its audio', () => {
    expect(() => packBundle({ song, mix, audio: new Map() })).toThrow(/is not there/)
  })

  it.each([
    ['a text', strToU8('no zip at all'), /not a zip file/],
    ['half a file', whole.subarray(0, whole.length / 2), /not a zip file, or it is damaged/],
    ['another zip', zipSync({ 'a.txt': strToU8('a') }), /does not belong there: a\.txt/],
    ['a bundle of another kind', zip({ 'bundle.json': json({ format: 'x' }) }), /not a Rudlo bundle/],
    [
      'a newer bundle',
      zip({ 'bundle.json': json({ format: 'rudlo-bundle', version: 2 }) }),
      /written by a newer Rudlo/,
    ],
    ['no mix', zip({ 'mix.json': undefined }), /mix\.json is missing/],
    ['no song', zip({ 'song.json': undefined }), /song\.json is missing/],
    ['audio that is missing', zip({ [`audio/${song.assets[0]!.id}.flac`]: undefined }), /\.flac is missing/],
    [
      'a damaged document',
      zip({ 'song.json': strToU8('{"format":') }),
      /song\.json in the bundle is damaged/,
    ],
    ['a list for a document', zip({ 'mix.json': json([]) }), /mix\.json in the bundle is damaged/],
    ['a path that climbs out', zip({ '../../etc/passwd': strToU8('x') }), /does not belong there/],
    ['a path from the root', zip({ '/audio/x.flac': strToU8('x') }), /does not belong there/],
    ['a zip bomb', zip({ 'song.json': new Uint8Array(5 * 1024 * 1024) }), /too large/],
  ])('refuses %s with one sentence', (_, bytes, sentence) => {
    expect(() => unpackBundle(bytes)).toThrow(sentence)
  })

  it('does not believe a size that lies', () => {
    const bomb = zip({ 'song.json': new Uint8Array(5 * 1024 * 1024) })
    const view = new DataView(bomb.buffer)
    // the central directory says how large each file is
    for (let at = 0; at + 46 < bomb.length; at++) {
      if (view.getUint32(at, true) === 0x02014b50 && view.getUint32(at + 24, true) === 5 * 1024 * 1024)
        view.setUint32(at + 24, 100, true)
    }
    expect(() => unpackBundle(bomb)).toThrow(RangeError)
  })
})

describe('a song document', () => {
  const problem = (changed: object) => {
    const checked = checkSong({ ...song, ...changed })
    return checked.ok ? '' : checked.problem
  }

  it.each([
    ['another format', { format: 'x' }, /not a Rudlo song/],
    ['a newer version', { version: 2 }, /newer Rudlo/],
    ['a tempo of 0', { tempo: [{ tick: 0, bpm: 0, form: 'hold' }] }, /tempo/],
    ['no tempo', { tempo: [] }, /tempo/],
    ['something unknown', { extra: 1 }, /"extra"/],
    ['a region on no track', { regions: [{ ...song.regions[0]!, track: 'x' }] }, /does not have/],
    ['a region without audio', { regions: [{ ...song.regions[0]!, asset: 'c'.repeat(64) }] }, /audio/],
    ['a region past its audio', { regions: [{ ...song.regions[0]!, offset: 1 }] }, /runs past the end/],
    ['two tracks of one id', { tracks: [song.tracks[0]!, song.tracks[0]!] }, /same id/],
  ])('is refused with one sentence for %s', (_, changed, sentence) => {
    expect(problem(changed)).toMatch(sentence)
  })

  it('is refused where it is nothing at all', () => {
    for (const nothing of [null, 3, 'x', []]) expect(checkSong(nothing).ok).toBe(false)
  })
})
