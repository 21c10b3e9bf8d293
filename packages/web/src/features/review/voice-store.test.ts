import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { serveWith } from '../../../test/fake-server'
import { ApiError, Unreachable } from '../../api/errors'
import type { UnsentVoice } from '../../document/unsent-voice'
import { useVoice } from './voice-store'

const kept = vi.hoisted(() => ({ voices: new Map<string, UnsentVoice>(), lasts: true }))
vi.mock('../../document/unsent-voice', () => ({
  UnsentVoices: class {
    keep = async (voice: UnsentVoice) => (kept.voices.set(voice.id, voice), kept.lasts)
    forget = async (id: string) => void kept.voices.delete(id)
    all = async () => [...kept.voices.values()]
  },
}))
const recorder = vi.hoisted(() => ({
  begin: vi.fn(),
  one: { ms: 3000, loudness: 0.5, stop: vi.fn() },
}))
vi.mock('../../engine/voice/recorder', async (original) => ({
  ...(await original<object>()),
  VoiceRecorder: { begin: recorder.begin },
}))
const review = vi.hoisted(() => ({
  handIn: { id: 'h' },
  draft: ' Listen here. ',
  subject: 'Dip',
  tell: vi.fn(),
  writeDraft: vi.fn(),
  keepRemark: vi.fn(),
}))
vi.mock('./review-store', () => ({ useReview: () => review }))
vi.mock('../../engine/player-store', () => ({ usePlayer: () => ({ stop: vi.fn() }) }))
vi.mock('../../api/session-store', () => ({
  useSession: () => ({ person: { id: 't' }, onFarewell: vi.fn() }),
}))

const post = vi.fn()
const PLACE = { lane: 'l', from: 0, to: 960 }

beforeEach(() => {
  vi.useFakeTimers()
  setActivePinia(createPinia())
  vi.clearAllMocks()
  kept.voices.clear()
  kept.lasts = true
  Object.assign(recorder.one, { ms: 3000 })
  recorder.begin.mockResolvedValue(recorder.one)
  recorder.one.stop.mockImplementation(async () => ({
    audio: new Uint8Array([1, 2, 3]),
    ms: recorder.one.ms,
    wave: [50],
  }))
  post.mockReset().mockReturnValue({ id: 'r' })
  serveWith({ post })
})
afterEach(() => vi.useRealTimers())

async function spoken() {
  const voice = useVoice()
  await voice.begin(PLACE)
  expect(voice.isSpeaking).toBe(true)
  await voice.end()
  return voice
}

describe('a spoken remark', () => {
  it('is sent with its place and the line of text beside it, and shown', async () => {
    const voice = await spoken()
    expect(post.mock.lastCall![1]).toMatchObject({
      ...PLACE,
      text: 'Listen here.',
      subject: 'Dip',
      audio: 'AQID',
      ms: 3000,
    })
    expect(review.keepRemark).toHaveBeenCalledWith('h', { id: 'r' })
    expect([kept.voices.size, voice.waiting, voice.isSpeaking]).toEqual([0, 0, false])
  })

  it('has the words that were written while it was spoken, and takes none of another hand-in', async () => {
    const voice = useVoice()
    await voice.begin(PLACE)
    review.draft = 'Listen here, twice.'
    await voice.end()
    expect(post.mock.lastCall![1]).toMatchObject({ text: 'Listen here, twice.' })
    await voice.begin(PLACE)
    review.handIn = { id: 'other' }
    review.writeDraft.mockClear()
    await voice.end()
    expect(post.mock.lastCall).toEqual([
      expect.stringContaining('/hand-ins/h/'),
      expect.objectContaining({ text: '' }),
    ])
    expect(review.writeDraft).not.toHaveBeenCalled()
    Object.assign(review, { handIn: { id: 'h' }, draft: ' Listen here. ' })
  })

  it.each([
    ['the network is lost', new Unreachable()],
    ['the server’s disk is full', new ApiError(507, 'fault', 'There is no room left.')],
    ['the session is over', new ApiError(401, 'not-signed-in', 'Sign in.')],
  ])('is kept where %s, and sent later, once', async (_, error) => {
    post.mockImplementationOnce(() => {
      throw error
    })
    const voice = await spoken()
    expect([kept.voices.size, voice.waiting]).toEqual([1, 1])
    await vi.advanceTimersByTimeAsync(20_000)
    expect([post.mock.calls.length, kept.voices.size, voice.waiting]).toEqual([2, 0, 0])
    expect(post.mock.calls[1]![1]).toEqual(post.mock.calls[0]![1])
  })

  it('that will never be taken is said and let go', async () => {
    post.mockImplementation(() => {
      throw new ApiError(404, 'not-found', 'That is not there.')
    })
    await spoken()
    expect([kept.voices.size, review.tell.mock.lastCall]).toEqual([0, ['That is not there.']])
  })

  it('says so where this browser keeps nothing and the server is away', async () => {
    kept.lasts = false
    post.mockImplementation(() => {
      throw new Unreachable()
    })
    await spoken()
    expect(review.tell.mock.lastCall![0]).toMatch(/as long as this page is open/)
  })

  it('ends by itself after 90 seconds, and is none where it was a slip of the finger', async () => {
    const voice = useVoice()
    await voice.begin(PLACE)
    Object.assign(recorder.one, { ms: 90_001 })
    await vi.advanceTimersByTimeAsync(200)
    expect([voice.isSpeaking, post.mock.calls.length]).toEqual([false, 1])
    Object.assign(recorder.one, { ms: 90 })
    await voice.begin(PLACE)
    await voice.end()
    expect([post.mock.calls.length, review.tell.mock.lastCall![0]]).toEqual([
      1,
      expect.stringMatching(/too short/),
    ])
  })

  it('is let go of before the microphone was there, or says why there is none', async () => {
    const voice = useVoice()
    const begun = voice.begin(PLACE)
    await voice.end()
    await begun
    expect([voice.isSpeaking, recorder.one.stop.mock.calls.length]).toEqual([false, 1])
    recorder.begin.mockRejectedValueOnce(Object.assign(new Error('no'), { name: 'NotAllowedError' }))
    await voice.begin(PLACE)
    expect(review.tell.mock.lastCall![0]).toMatch(/may not use the microphone/)
  })
})
