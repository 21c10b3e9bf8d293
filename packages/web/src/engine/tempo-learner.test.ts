import { point } from '@rudlo/core/envelope'
import { plainMix, TEMPO, withPoints, withTempoLine, type Mix, type Sounding } from '@rudlo/core/mix'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong } from '../../test/short-song'
import { tempoLearner } from './tempo-learner'

const audio = vi.hoisted(() => ({ of: vi.fn() }))
vi.mock('./song-audio', async () => ({
  audioOf: audio.of,
  isSameTempo: (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b),
}))

const part = { player: 'harp', freedom: 0, peak: 0.5, seed: 1, notes: [] } as const
const song = { ...shortSong, tracks: shortSong.tracks.map((track) => ({ ...track, part })) }
const plain = withTempoLine(plainMix(song), song, 'line')
const at = (bpm: number): Mix => withPoints(plain, TEMPO, [point(0, bpm)], () => 'x')

beforeEach(() => {
  vi.useFakeTimers()
  audio.of.mockReset().mockResolvedValue([])
})
afterEach(() => void vi.useRealTimers())

function person(mix: Mix) {
  const now = { mix: mix as Mix | null, heard: null as Sounding['anew'] }
  const reopened: Mix[] = []
  const failed: string[] = []
  const learner = tempoLearner({
    asked: () => now.mix && { song, mix: now.mix },
    heard: () => now.heard,
    reopen: async (_, again) => void reopened.push(again),
    failed: (error) => failed.push(error.message),
  })
  return { now, learner, reopened, failed }
}

const rest = () => vi.advanceTimersByTimeAsync(1000)

describe('another tempo', () => {
  it('is learnt when the hand rests, once, and heard then', async () => {
    const { now, learner, reopened } = person(plain)
    learner.look()
    await rest()
    expect(audio.of).not.toHaveBeenCalled()
    now.mix = at(90)
    learner.look()
    now.mix = at(80)
    learner.look()
    await rest()
    expect(audio.of).toHaveBeenCalledTimes(1)
    expect([reopened, learner.learning.value]).toEqual([[now.mix], false])
  })

  it('is learnt anew where it was drawn on meanwhile', async () => {
    const { now, learner, reopened } = person(at(90))
    let done = () => {}
    audio.of.mockReturnValueOnce(new Promise<void>((resolve) => (done = resolve)))
    learner.look()
    await rest()
    expect(learner.learning.value).toBe(true)
    now.mix = at(70)
    done()
    await rest()
    await rest()
    expect([audio.of.mock.calls.length, reopened]).toEqual([2, [now.mix]])
  })

  it('is not heard where another song was opened meanwhile, and what goes wrong is told', async () => {
    const { now, learner, reopened, failed } = person(at(90))
    learner.look()
    learner.forget()
    await rest()
    expect(audio.of).not.toHaveBeenCalled()
    audio.of.mockRejectedValueOnce(new Error('A part of the program stopped.'))
    learner.look()
    await rest()
    expect([failed, reopened, learner.learning.value]).toEqual([
      ['A part of the program stopped.'],
      [],
      false,
    ])
    now.mix = null
    learner.look()
    await rest()
    expect(reopened).toEqual([])
  })
})
