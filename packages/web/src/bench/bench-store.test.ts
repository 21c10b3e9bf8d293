import { point } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { shortSong as song } from '../../test/short-song'
import type * as Api from '../server/api'
import { useBench } from './bench-store'

const [first] = song.tracks
const LEVEL = trackLevel(first!.id)
const PAN = `track/${first!.id}/pan`
const start = withPoints(plainMix(song), LEVEL, [point(0, -6)], () => 'l')

const player = { position: 0, seek: vi.fn(), lookAt: vi.fn() }
vi.mock('../audio/player-store', () => ({ usePlayer: () => player }))
const work = reactive({
  mix: null as Mix | null,
  versions: [] as { number: number; review: object | null }[],
  notes: [] as { id: string; tick: number }[],
  envelope: (address: string) => envelopeOf(work.mix!, address),
  setMix: (make: (mix: Mix) => Mix) => void (work.mix = make(work.mix!)),
  setNotes: (make: (notes: typeof work.notes) => typeof work.notes) => void (work.notes = make(work.notes)),
})
vi.mock('../work/work-store', () => ({ useWork: () => work }))
vi.mock('../server/api', async (original) => ({
  ...(await original<typeof Api>()),
  get: async () => ({
    id: 'a',
    title: 'Fades',
    songDocument: song,
    startingMix: start,
    brief: {
      purpose: '',
      open: [LEVEL],
      tasks: [
        { id: 't1', title: 'Balance', lanes: [], from: 0, to: 960 },
        { id: 't2', title: 'Fade', lanes: [LEVEL], from: 960, to: 1920 },
      ],
    },
  }),
}))

async function opened() {
  const bench = useBench()
  await bench.open('a')
  return bench
}

beforeEach(() => {
  setActivePinia(createPinia())
  work.mix = start
  work.notes = []
  work.versions = []
})

describe('the bench', () => {
  it('opens with the first task: balance where it names no lane, else its lane', async () => {
    const bench = await opened()
    expect([bench.view, bench.taskId]).toEqual(['balance', 't1'])
    bench.chooseTask('t2')
    expect([bench.view, bench.address]).toEqual(['lines', LEVEL])
  })

  it('brings the lane of a control that was touched, unless that is not wanted', async () => {
    const bench = await opened()
    bench.touch(PAN)
    expect(bench.address).toBe(PAN)
    bench.follows = false
    bench.touch(LEVEL)
    expect(bench.address).toBe(PAN)
  })

  it('lets go of the selected bars when another lane comes', async () => {
    const bench = await opened()
    bench.selection = { from: 0, to: 960 }
    bench.address = PAN
    await nextTick()
    expect(bench.selection).toBeNull()
  })

  it('keeps the newest version that came back', async () => {
    const bench = await opened()
    work.versions = [
      { number: 1, review: {} },
      { number: 2, review: null },
    ]
    expect([bench.returned?.number, bench.newest?.number]).toEqual([1, 2])
  })

  it('drops a note at the start of the bar that is heard', async () => {
    const bench = await opened()
    player.position = 3840 + 700
    bench.dropNote()
    expect(work.notes.map((n) => n.tick)).toEqual([3840])
    expect([bench.page, bench.freshNote]).toEqual(['notes', work.notes[0]!.id])
  })
})

describe('a lane', () => {
  it('is open where the brief asks for it, and locked elsewhere until it is opened', async () => {
    const bench = await opened()
    expect([bench.isOpen(LEVEL), bench.isOpen(PAN)]).toEqual([true, false])
    bench.setOpen(PAN, true)
    expect([bench.isOpen(PAN), bench.isInBrief(PAN)]).toEqual([true, false])
    bench.setOpen(PAN, false)
    expect(bench.isOpen(PAN)).toBe(false)
  })

  it('of the brief can be locked, which is kept with the mix, and opened again', async () => {
    const bench = await opened()
    bench.setOpen(LEVEL, false)
    expect([bench.isOpen(LEVEL), envelopeOf(work.mix!, LEVEL)!.open]).toEqual([false, false])
    bench.setOpen(LEVEL, true)
    expect(bench.isOpen(LEVEL)).toBe(true)
  })

  it('is open to its teacher, brief or not, unless it was locked', async () => {
    const bench = await opened()
    bench.assignment = { ...bench.assignment!, settings: { revision: 1 } } as never
    expect(bench.isOpen(PAN)).toBe(true)
    bench.setOpen(PAN, true)
    bench.setOpen(LEVEL, false)
    expect([bench.isOpen(PAN), bench.isOpen(LEVEL)]).toEqual([true, false])
  })

  it('that was drawn on before stays open', async () => {
    const bench = await opened()
    work.mix = withPoints(start, PAN, [point(0, 0), point(960, 1)], () => 'p')
    expect(bench.isOpen(PAN)).toBe(true)
  })
})
