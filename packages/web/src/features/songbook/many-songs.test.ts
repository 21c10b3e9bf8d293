import { serveWith } from '../../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useManySongs } from './many-songs'
import { songsIn } from './song-files'

const calls = vi.hoisted(() => ({ post: vi.fn(), postFile: vi.fn(), upload: vi.fn() }))
serveWith({ post: calls.post, bytes: calls.postFile })
vi.mock('./upload', () => ({ upload: calls.upload, arrive: vi.fn() }))

const dropped = (...names: string[]) => names.map((name) => ({ folder: '', file: new File([], name) }))

beforeEach(() => {
  setActivePinia(createPinia())
  for (const call of Object.values(calls)) call.mockReset()
})

describe('several songs at once', () => {
  it('go into the songbook one by one, and each is told', async () => {
    calls.postFile
      .mockResolvedValueOnce({ document: { title: 'One' }, mix: null, doubtfulTitle: '' })
      .mockRejectedValueOnce(new Error('This is not a MIDI file.'))
    calls.post.mockResolvedValue({ song: 's', version: 'v1' })
    const many = useManySongs()
    await many.bringIn(songsIn(dropped('one.mid', 'two.mid')))
    expect(many.songs.map((s) => [s.state, s.title, s.problem])).toEqual([
      ['kept', 'One', ''],
      ['failed', '', 'This is not a MIDI file.'],
    ])
    expect(many.isBusy).toBe(false)
  })

  it('are made of the recordings that can be read, and what is wrong with the others is told', async () => {
    calls.upload
      .mockResolvedValueOnce({ asset: 'a'.repeat(64), channels: 1, frames: 44_100, known: false })
      .mockRejectedValueOnce(new Error('“b.txt” is no audio.'))
    calls.post.mockResolvedValue({ song: 's', version: 'v1' })
    const many = useManySongs()
    await many.bringIn(songsIn(dropped('a.wav', 'b.txt')))
    expect(many.songs).toMatchObject([
      { name: 'a.wav, b.txt', state: 'kept', problem: '“b.txt” is no audio.' },
    ])
  })

  it('stop when they are told to', async () => {
    const many = useManySongs()
    calls.postFile.mockImplementation(() => {
      many.stop()
      return Promise.resolve({ document: { title: 'One' }, mix: null, doubtfulTitle: '' })
    })
    calls.post.mockResolvedValue({ song: 's', version: 'v1' })
    await many.bringIn(songsIn(dropped('one.mid', 'two.mid')))
    expect(many.songs.map((s) => s.state)).toEqual(['kept'])
  })
})
