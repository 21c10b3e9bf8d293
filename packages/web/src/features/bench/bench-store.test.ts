import { serveWith } from '../../../test/fake-server'
import { point } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { useDesk } from '../../desk/desk-store'
import { useBench } from './bench-store'

const [first] = song.tracks
const LEVEL = trackLevel(first!.id)
const PAN = `track/${first!.id}/pan`
const start = withPoints(plainMix(song), LEVEL, [point(0, -6)], () => 'l')

const player = { position: 0, seek: vi.fn(), lookAt: vi.fn(), prepare: vi.fn() }
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))
const work = reactive({
  mix: null as Mix | null,
  versions: [] as { number: number; review: object | null }[],
  notes: [] as { id: string; tick: number }[],
  envelope: (address: string) => envelopeOf(work.mix!, address),
  setMix: (make: (mix: Mix) => Mix) => void (work.mix = make(work.mix!)),
  setNotes: (make: (notes: typeof work.notes) => typeof work.notes) => void (work.notes = make(work.notes)),
})
vi.mock('../../document/work-store', () => ({ useWork: () => work }))
serveWith({
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
})

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
    await opened()
    const desk = useDesk()
    expect([desk.view, desk.taskId]).toEqual(['balance', 't1'])
    desk.chooseTask('t2')
    expect([desk.view, desk.address]).toEqual(['lines', LEVEL])
  })

  it('brings the lane of a control that was touched, unless that is not wanted', async () => {
    await opened()
    const desk = useDesk()
    desk.touch(PAN)
    expect(desk.address).toBe(PAN)
    desk.follows = false
    desk.touch(LEVEL)
    expect(desk.address).toBe(PAN)
  })

  it('lets go of the selected bars when another lane comes', async () => {
    await opened()
    const desk = useDesk()
    desk.selection = { from: 0, to: 960 }
    desk.address = PAN
    await nextTick()
    expect(desk.selection).toBeNull()
  })

  it('keeps the newest version that came back', async () => {
    await opened()
    const desk = useDesk()
    work.versions = [
      { number: 1, review: {} },
      { number: 2, review: null },
    ]
    expect([desk.returned?.number, desk.newest?.number]).toEqual([1, 2])
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
    await opened()
    const desk = useDesk()
    expect([desk.isOpen(LEVEL), desk.isOpen(PAN)]).toEqual([true, false])
    desk.setOpen(PAN, true)
    expect([desk.isOpen(PAN), desk.isInBrief(PAN)]).toEqual([true, false])
    desk.setOpen(PAN, false)
    expect(desk.isOpen(PAN)).toBe(false)
  })

  it('of the brief can be locked, which is kept with the mix, and opened again', async () => {
    await opened()
    const desk = useDesk()
    desk.setOpen(LEVEL, false)
    expect([desk.isOpen(LEVEL), envelopeOf(work.mix!, LEVEL)!.open]).toEqual([false, false])
    desk.setOpen(LEVEL, true)
    expect(desk.isOpen(LEVEL)).toBe(true)
  })

  it('is open to its teacher, brief or not, unless it was locked', async () => {
    await opened()
    const desk = useDesk()
    desk.given = { ...desk.given!, free: true }
    expect(desk.isOpen(PAN)).toBe(true)
    desk.setOpen(PAN, true)
    desk.setOpen(LEVEL, false)
    expect([desk.isOpen(PAN), desk.isOpen(LEVEL)]).toEqual([true, false])
  })

  it('that was drawn on before stays open', async () => {
    await opened()
    const desk = useDesk()
    work.mix = withPoints(start, PAN, [point(0, 0), point(960, 1)], () => 'p')
    expect(desk.isOpen(PAN)).toBe(true)
  })
})
