import { describe, expect, it } from 'vitest'
import { songsIn } from './song-files'

const dropped = (...names: string[]) =>
  names.map((name) => {
    const at = name.lastIndexOf('/')
    return { folder: name.slice(0, Math.max(0, at)), file: new File([], name.slice(at + 1)) }
  })

describe('what is dropped', () => {
  it('is one song for all recordings, in the order of their names', () => {
    expect(songsIn(dropped('b.wav', 'a.wav', '.hidden')).map((s) => [s.kind, s.name])).toEqual([
      ['recordings', ''],
    ])
  })

  it('is a song for each file of notes, each bundle and each folder', () => {
    const found = songsIn(
      dropped('one.mid', 'two.MIDI', 'score.mxl', 'x.rudlo.zip', 'Ferry/a.wav', 'Ferry/b.wav', 'Tide/a.ogg'),
    )
    expect(found.map((s) => [s.kind, s.name])).toEqual([
      ['notes', 'one.mid'],
      ['notes', 'two.MIDI'],
      ['notes', 'score.mxl'],
      ['bundle', 'x.rudlo.zip'],
      ['recordings', 'Ferry'],
      ['recordings', 'Tide'],
    ])
  })
})
