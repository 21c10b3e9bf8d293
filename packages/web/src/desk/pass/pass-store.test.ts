import type { Way } from '@rudlo/contract/works'
import { point, valueAt } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withPoints, type Mix, type WorkDocument } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { levelScale } from '@rudlo/core/scale'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive, shallowReactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import type { Step } from '../../document/history'
import { usePass } from './pass-store'

const LEVEL = trackLevel(song.tracks[0]!.id)
const PAN = `track/${song.tracks[0]!.id}/pan`
const start = withPoints(plainMix(song), LEVEL, [point(0, -10)], () => 'l')

const player = reactive({
  playing: false,
  moves: true,
  position: 0,
  looping: false,
  loop: null as { from: number; to: number } | null,
  play: vi.fn(() => (player.playing = true)),
  stop: vi.fn(() => (player.playing = false)),
  seek: vi.fn((tick: number) => (player.position = tick)),
  setLoop: vi.fn(),
})
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))

/** A work that keeps its steps, without saving. */
const work = shallowReactive({
  mix: start as Mix,
  notice: null as string | null,
  history: { done: [] as Step[] },
  gesture: null as Mix | null,
  begin: () => void (work.gesture ??= work.mix),
  previewMix: (make: (mix: Mix) => Mix) => void (work.mix = make(work.gesture!)),
  cancel: () => {
    work.mix = work.gesture ?? work.mix
    work.gesture = null
  },
  commit: (change: { label: string; lanes: string[]; from: number; to: number; how?: Way }) => {
    const [before, after] = [work.gesture!, work.mix].map((mix): WorkDocument => ({ mix, notes: [] }))
    work.gesture = null
    work.history = { done: [...work.history.done, { ...change, before: before!, after: after! }] }
  },
  amend: (step: Step, make: (mix: Mix) => Mix) => void (work.mix = make(step.before.mix)),
  undo: () => void (work.mix = work.history.done.at(-1)!.before.mix),
})
vi.mock('../../document/work-store', () => ({ useWork: () => work }))

const desk = {
  song,
  time: songTime(song),
  isOpen: (lane: string) => lane !== `track/${song.tracks[0]!.id}/gain`,
  isInBrief: (lane: string) => lane === LEVEL,
  touch: vi.fn(),
  valueAt: (lane: string) => (lane === LEVEL ? -10 : 0),
}
vi.mock('../desk-store', () => ({ useDesk: () => desk }))

/** Lets the song go on to a tick, in steps as a screen shows them. */
async function goOn(to: number): Promise<void> {
  while (player.position < to) {
    player.position = Math.min(to, player.position + 60)
    await nextTick()
  }
}

async function play(on: boolean): Promise<void> {
  player.playing = on
  await nextTick()
}

const at = (tick: number, address = LEVEL) => valueAt(envelopeOf(work.mix, address)!.points, levelScale, tick)

beforeEach(() => {
  setActivePinia(createPinia())
  Object.assign(player, { playing: false, position: 0, loop: null, looping: false, moves: true })
  Object.assign(work, { mix: start, notice: null, history: { done: [] }, gesture: null })
})

describe('a pass', () => {
  it('takes a control only while it plays, lines are followed and the hand writes', async () => {
    const pass = usePass()
    expect(pass.takes(LEVEL)).toBe(false)
    pass.choose('', 'hold')
    expect(pass.takes(LEVEL)).toBe(false)
    await play(true)
    expect(pass.takes(LEVEL)).toBe(true)
    player.moves = false
    expect(pass.takes(LEVEL)).toBe(false)
  })

  it('writes what is held as one step, and says what it wrote', async () => {
    const pass = usePass()
    pass.choose('', 'hold')
    await play(true)
    await goOn(1200)
    pass.grab(LEVEL, -10)
    pass.move(LEVEL, -3)
    await goOn(3000)
    expect(pass.writing).toEqual([LEVEL])
    pass.release(LEVEL)
    await goOn(6000)
    await play(false)
    expect(work.history.done).toHaveLength(1)
    expect(work.history.done[0]).toMatchObject({ how: 'hold', lanes: [LEVEL] })
    expect([at(600), at(2500), at(5500)].map(Math.round)).toEqual([-10, -3, -10])
    expect(pass.summary!.lanes).toMatchObject([{ address: LEVEL, inBrief: true }])
  })

  it('leaves nothing behind where nothing was held', async () => {
    const pass = usePass()
    pass.choose('', 'moved')
    await play(true)
    await goOn(1200)
    await play(false)
    expect(work.history.done).toEqual([])
    expect(work.mix).toBe(start)
  })

  it('does not write on a locked lane, and says so', async () => {
    const pass = usePass()
    pass.choose('', 'hold')
    await play(true)
    expect(pass.grab(`track/${song.tracks[0]!.id}/gain`, 0)).toBe(false)
    expect(work.notice).toContain('locked')
  })

  it('keeps only those lanes that are wished', async () => {
    const pass = usePass()
    pass.choose('', 'hold')
    await play(true)
    await goOn(600)
    for (const [lane, value] of [
      [LEVEL, -3],
      [PAN, 0.5],
    ] as const) {
      pass.grab(lane, lane === LEVEL ? -10 : 0)
      pass.move(lane, value)
    }
    await goOn(2400)
    await play(false)
    expect(pass.summary!.lanes.map((l) => l.inBrief)).toEqual([true, false])
    pass.keepOnly(new Set([LEVEL]))
    expect(envelopeOf(work.mix, PAN)).toBeUndefined()
    expect(Math.round(at(1800))).toBe(-3)
  })

  it('from play to stop writes what nobody touches too, and follows again after the stop', async () => {
    const pass = usePass()
    pass.choose(song.tracks[0]!.id, 'throughout')
    await play(true)
    await goOn(3000)
    await play(false)
    expect(Math.round(at(1500))).toBe(Math.round(start.tracks[0]!.level))
    expect(pass.wayOf(LEVEL)).toBe('follow')
  })

  it('asks before it goes over moves', async () => {
    const fade = [point(0, -90), point(3840, -10), point(9600, -10)]
    work.mix = withPoints(plainMix(song), LEVEL, fade, () => 'l')
    const pass = usePass()
    pass.choose('', 'throughout')
    await play(true)
    expect(pass.asked).toBe(1)
    expect(player.playing).toBe(false)
    pass.answer(true)
    await nextTick()
    await goOn(2000)
    await play(false)
    expect(work.history.done).toHaveLength(1)
  })

  it('goes round a loop: each round replaces the last one', async () => {
    const pass = usePass()
    pass.choose('', 'moved')
    Object.assign(player, { loop: { from: 0, to: 3840 }, looping: true })
    await play(true)
    for (const value of [-3, -20]) {
      pass.grab(LEVEL, -10)
      pass.move(LEVEL, value)
      pass.release(LEVEL)
      await goOn(3800)
      player.position = 0
      await nextTick()
    }
    await play(false)
    expect(Math.round(at(2000))).toBe(-20)
    expect(work.history.done).toHaveLength(1)
  })

  it('writes nothing over what is skipped where the place is changed meanwhile', async () => {
    const pass = usePass()
    pass.choose('', 'moved')
    // a loop that is there but switched off is no place to write to
    player.loop = { from: 0, to: 15_000 }
    for (const place of [10_000, 400]) {
      await play(true)
      player.position = 1200
      await nextTick()
      pass.grab(LEVEL, -10)
      pass.move(LEVEL, -3)
      await goOn(2400)
      player.position = place
      await nextTick()
      await goOn(place + 600)
      await play(false)
      expect(Math.round(at(6000))).toBe(-10)
      expect(Math.round(at(2000))).toBe(-3)
      work.mix = start
    }
  })

  it('that is under way when the desk is left is kept', async () => {
    const pass = usePass()
    pass.choose('', 'hold')
    await play(true)
    await goOn(1200)
    pass.grab(LEVEL, -10)
    pass.move(LEVEL, -3)
    await goOn(2400)
    pass.reset()
    expect(work.history.done).toHaveLength(1)
    expect(Math.round(at(2000))).toBe(-3)
    await play(false)
    expect(work.history.done).toHaveLength(1)
  })

  it('repairs one spot: two bars before it to a bar after it, and the hand is as before', async () => {
    const pass = usePass()
    pass.repair({ from: 3840, to: 7680 })
    await nextTick()
    expect([player.position, pass.wayOf(LEVEL)]).toEqual([0, 'hold'])
    await goOn(11_400)
    expect(player.playing).toBe(true)
    await goOn(11_600)
    expect(player.playing).toBe(false)
    expect(pass.wayOf(LEVEL)).toBe('follow')
  })
})
