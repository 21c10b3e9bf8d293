import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, reactive } from 'vue'
import { serveWith } from '../../../test/fake-server'
import { assignment, handedIn, queued } from '../../../test/room/hand-ins'
import { ApiError } from '../../api/errors'
import { useRound } from './round-store'

const player = vi.hoisted(() => ({ now: null as never }))
const deck = reactive({
  position: 0,
  playing: false,
  ready: true,
  load: vi.fn(),
  open: vi.fn(),
  seek: vi.fn((tick: number) => (deck.position = tick)),
  setLoop: vi.fn(),
  play: vi.fn(async () => {
    deck.playing = true
  }),
  stop: vi.fn(() => (deck.playing = false)),
})
player.now = deck as never
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player.now }))

const all = [handedIn('h1', 'Ines', -60), handedIn('h2', 'Oskar', -30), handedIn('h3', 'Ayla', -6)]
const put = vi.fn()
const [first] = assignment.rubric.criteria

beforeEach(() => {
  setActivePinia(createPinia())
  vi.clearAllMocks()
  Object.assign(deck, { position: 0, playing: false })
  put.mockReset().mockReturnValue({ revision: 2 })
  serveWith({
    get: (path) => {
      if (path.includes('/hand-ins/')) return all.find((h) => path.endsWith(h.id))
      return path.endsWith('/hand-ins') ? all.map(queued) : assignment
    },
    put,
  })
})

async function opened() {
  const round = useRound()
  await round.open('a')
  return round
}

/** Time goes on to a place, and whoever looks at it has seen it. */
async function comesTo(tick: number): Promise<void> {
  deck.position = tick
  await nextTick()
}

describe('everybody in turn', () => {
  it('are still coming until all have come', async () => {
    const round = useRound()
    const opening = round.open('a')
    expect([round.coming, round.rows.length]).toEqual([true, 0])
    await opening
    expect([round.coming, round.rows.length]).toEqual([false, all.length])
  })

  it('are those that were asked for last, whatever comes when, and nobody’s once somebody has left', async () => {
    const answers: ((found: unknown) => void)[] = []
    serveWith({
      get: (path) => {
        if (path.includes('/hand-ins/')) return all.find((h) => path.endsWith(h.id))
        return path.endsWith('/hand-ins') ? new Promise((done) => answers.push(done)) : assignment
      },
    })
    const round = useRound()
    const older = round.open('a')
    const newer = round.open('a')
    await vi.waitUntil(() => answers.length === 2)
    answers[1]!(all.slice(1).map(queued))
    await newer
    answers[0]!(all.map(queued))
    await older
    expect(round.rows.map((r) => r.handIn.id)).toEqual(['h2', 'h3'])

    deck.open.mockClear()
    const left = round.open('a')
    await vi.waitUntil(() => answers.length === 3)
    round.leave()
    answers[2]!(all.map(queued))
    await left
    expect(deck.open).not.toHaveBeenCalled()
  })

  it('is the next one each time the bars begin again, and ends after the last', async () => {
    const round = await opened()
    await round.play(0)
    expect(deck.setLoop).toHaveBeenLastCalledWith({ from: 0, to: 3840 }, true)
    for (const heard of [0, 1, 2]) {
      expect([round.at, deck.load.mock.lastCall![0]]).toEqual([heard, all[heard]!.document.mix])
      await comesTo(2000)
      await comesTo(3800)
      await comesTo(10)
    }
    expect([round.going, deck.playing]).toEqual([false, false])
  })

  it('stops with the player, and goes on from whoever was chosen', async () => {
    const round = await opened()
    await round.play(1)
    deck.playing = false
    await nextTick()
    expect(round.going).toBe(false)
    round.toggle()
    await nextTick()
    expect([round.going, round.at]).toEqual([true, 1])
  })

  it('keeps each mark at once, with the comment and the marks that were there', async () => {
    const round = await opened()
    await round.mark(1, 2)
    expect(round.rows.map((r) => r.mark)).toEqual([undefined, 2, undefined])
    expect(put.mock.lastCall![1]).toMatchObject({
      marks: { [first!.id]: 2 },
      comment: 'To Oskar.',
      revision: 1,
    })
    await round.mark(1, 2)
    expect(put.mock.lastCall![1]).toMatchObject({ marks: {}, revision: 2 })
  })

  it('saves two quick marks one after the other, each on the revision that the one before made', async () => {
    const round = await opened()
    await Promise.all([round.mark(0, 1), round.mark(0, 2)])
    expect(put.mock.calls.map(([, sent]) => sent)).toMatchObject([{ revision: 1 }, { revision: 2 }])
    expect([round.rows[0]!.mark, round.notice]).toEqual([2, null])
  })

  it('stays with one of them where somebody goes back in it by hand', async () => {
    const round = await opened()
    await round.play(0)
    await comesTo(2000)
    await comesTo(100)
    expect(round.at).toBe(0)
  })

  it('shows what somebody else gave meanwhile, and says so', async () => {
    const round = await opened()
    put.mockImplementation(() => {
      throw new ApiError(409, 'not-now', 'Somebody else has changed it.')
    })
    await round.mark(0, 1)
    expect([round.notice, round.rows[0]!.mark]).toEqual(['Somebody else has changed it.', undefined])
  })
})
