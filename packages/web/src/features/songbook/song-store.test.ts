import { serveWith } from '../../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { plainMix, type Mix } from '@rudlo/core/mix'
import { useSong } from './song-store'

const calls = vi.hoisted(() => ({
  post: vi.fn(),
  put: vi.fn(),
  postFile: vi.fn(),
  upload: vi.fn(),
  tempo: vi.fn(),
  sections: vi.fn(),
}))
serveWith({ post: calls.post, put: calls.put, bytes: calls.postFile })
vi.mock('./upload', () => ({ upload: calls.upload }))
vi.mock('./analyser', () => ({
  Analyser: class {
    tempo = calls.tempo
    sections = calls.sections
    close = () => undefined
  },
}))

const file = (name: string) => new File([], name)
let assets = 0
const arrives = (seconds: number) => async () => ({
  asset: String(++assets).padStart(64, '0'),
  channels: 1,
  frames: seconds * 44_100,
  known: false,
})

async function brought() {
  const store = useSong()
  store.open(null, null)
  await store.bringIn([file('01 Kick drum.wav'), file('02_Lead_vox.wav')], 'New song')
  return store
}

beforeEach(() => {
  setActivePinia(createPinia())
  for (const call of Object.values(calls)) call.mockReset()
  calls.upload.mockImplementationOnce(arrives(20)).mockImplementationOnce(arrives(18))
})

describe('a song of recordings', () => {
  it('takes names and roles from the files, and says what differs', async () => {
    const store = await brought()
    expect(store.song!.tracks.map((t) => [t.name, t.role])).toEqual([
      ['Kick drum', 'drums'],
      ['Lead vox', 'voice'],
    ])
    expect(store.lengths).toMatch(/shortest ends 2\.0 s before/)
    expect([store.canRetime, store.saved]).toEqual([true, false])
  })

  it('is made of those that arrive, and tells what is wrong with the others', async () => {
    calls.upload.mockReset()
    calls.upload.mockImplementationOnce(arrives(20)).mockRejectedValueOnce(new Error('“b.wav” is no audio.'))
    const store = useSong()
    store.open(null, null)
    await store.bringIn([file('a.wav'), file('b.wav')], 'New song')
    expect(store.song!.tracks).toHaveLength(1)
    expect(store.incoming[1]!.problem).toBe('“b.wav” is no audio.')
  })

  it('takes more recordings, other names, another order', async () => {
    const store = await brought()
    calls.upload.mockImplementationOnce(arrives(30))
    await store.bringIn([file('3 Pad.wav')], '')
    expect(store.song!.tracks.map((t) => t.name)).toEqual(['Kick drum', 'Lead vox', 'Pad'])
    store.moveTrack(2, 0)
    store.setTrack(store.song!.tracks[0]!.id, { name: 'Wash', role: 'texture' })
    store.removeTrack(store.song!.tracks[1]!.id)
    expect(store.song!.tracks.map((t) => [t.name, t.role])).toEqual([
      ['Wash', 'texture'],
      ['Lead vox', 'voice'],
    ])
    expect(store.song!.assets).toHaveLength(2)
  })

  it('takes the tempo that was heard, and sections where they were heard', async () => {
    const store = await brought()
    calls.tempo.mockResolvedValue({
      bpm: 96,
      confidence: 0.9,
      downbeat: 0.5,
      meter: { beats: 3, unit: 4, confidence: 0.8, swing: 0 },
      also: [],
    })
    await store.findTempo()
    expect(store.found!.bpm).toBe(96)
    store.takeFound()
    expect([store.song!.tempo[0]!.bpm, store.meters[0]!.beats, store.found]).toEqual([96, 3, null])
    expect(store.downbeat).toBeCloseTo(0.5, 2)
    calls.sections.mockResolvedValue([1, 5])
    await store.findSections()
    expect(store.bars.map((b) => [b.letter, b.bar])).toEqual([
      ['A', 1],
      ['B', 5],
    ])
    calls.tempo.mockResolvedValue(null)
    await store.findTempo()
    expect(store.problem).toMatch(/No steady tempo/)
  })

  it('changes its time signature at a bar, and back', async () => {
    const store = await brought()
    store.setMeter({ bar: 5, beats: 3, unit: 4 })
    store.setMeter({ bar: 1, beats: 6, unit: 8 })
    expect(store.meters).toEqual([
      { bar: 1, beats: 6, unit: 8 },
      { bar: 5, beats: 3, unit: 4 },
    ])
    store.dropMeter(5)
    store.dropMeter(1)
    expect(store.meters).toEqual([{ bar: 1, beats: 6, unit: 8 }])
  })

  it('has sections where bars were dragged', async () => {
    const store = await brought()
    store.addSection(2 * 3840, 4 * 3840)
    const bars = () => store.bars.map((b) => [b.bar, b.name])
    expect(bars()).toEqual([
      [1, 'All'],
      [3, ''],
      [5, 'All'],
    ])
    store.addSection(2 * 3840, 5 * 3840)
    expect(bars()).toEqual([
      [1, 'All'],
      [3, ''],
      [6, 'All'],
    ])
    store.addSection(0, 7 * 3840)
    expect(bars()).toEqual([
      [1, 'All'],
      [8, 'All'],
    ])
  })

  it('is kept as new, then as the next version of itself', async () => {
    const store = await brought()
    calls.post.mockResolvedValue({ song: 's', version: 'v1' })
    expect(await store.keep()).toBe('v1')
    expect(store.saved).toBe(true)
    store.setTitle('Another')
    calls.put.mockResolvedValue({ song: 's', version: 'v2' })
    expect(await store.keep()).toBe('v2')
    expect(calls.put.mock.calls[0]![0]).toBe('/api/songs/s')
    calls.put.mockRejectedValue(new Error('The song needs a title.'))
    store.setTitle('')
    expect([await store.keep(), store.problem, store.saved]).toEqual([null, 'The song needs a title.', false])
  })

  it('keeps the mix that came along with notes, and loses only what belongs to a track that goes', async () => {
    const { song } = await brought()
    const store = useSong()
    const plain = plainMix(song!)
    const mix = { ...plain, tracks: plain.tracks.map((t) => ({ ...t, level: -6 })) }
    calls.postFile.mockResolvedValue({ document: song, mix, doubtfulTitle: '' })
    await store.bringWhole(file('tune.mid'), 'notes')
    store.removeTrack(song!.tracks[0]!.id)
    calls.post.mockResolvedValue({ song: 's', version: 'v9' })
    await store.keep()
    const sent = calls.post.mock.calls.at(-1)![1] as { mix: Mix }
    expect(sent.mix.tracks.map((t) => [t.id, t.level])).toEqual([[song!.tracks[1]!.id, -6]])
  })

  it('asks before it takes a title that a file should not have', async () => {
    const { song } = await brought()
    const store = useSong()
    calls.postFile.mockResolvedValue({ document: song, mix: null, doubtfulTitle: 'A rude word' })
    await store.bringWhole(file('tune.mid'), 'notes')
    expect([store.song!.title, store.doubtfulTitle]).toEqual(['New song', 'A rude word'])
    store.answerTitle(true)
    expect([store.song!.title, store.doubtfulTitle]).toEqual(['A rude word', ''])
  })
})
