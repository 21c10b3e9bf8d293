import { point } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, withLane, withPoints } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { useReview } from './review-store'
import { useSuggestion } from './suggest-store'

const player = vi.hoisted(() => ({
  load: vi.fn(),
  seek: vi.fn(),
  setTrim: vi.fn(),
  ready: true,
  progress: 1,
}))
vi.mock('../../engine/player-store', () => ({ usePlayer: () => player }))

const REED = 'track/reed/level'
const own = [point(0, -3), point(3840, -9)]
const mix = withPoints(plainMix(song), REED, own, () => 'l')

function desk() {
  const review = useReview()
  review.handIn = { id: 'h', document: { mix, notes: [] }, versions: [] } as never
  review.address = REED
  return { review, suggestion: useSuggestion() }
}

beforeEach(() => {
  setActivePinia(createPinia())
  player.load.mockClear()
})

describe('a suggested line', () => {
  it('begins as the student’s, is heard as it is drawn, and leaves the hand-in alone', () => {
    const { review, suggestion } = desk()
    suggestion.start()
    expect([suggestion.drawing, suggestion.points]).toEqual([true, own])
    suggestion.begin()
    suggestion.show([point(0, -3), point(3840, -20)])
    suggestion.commit()
    expect(envelopeOf(player.load.mock.calls.at(-1)![0] as typeof mix, REED)!.points[1]!.value).toBe(-20)
    expect(envelopeOf(review.mix!, REED)!.points).toEqual(own)
    suggestion.set([point(0, -1)])
    suggestion.undo()
    suggestion.undo()
    suggestion.undo()
    expect([suggestion.points, suggestion.canUndo]).toEqual([own, false])
    suggestion.end()
    expect([suggestion.drawing, player.load.mock.calls.at(-1)![0]]).toEqual([false, mix])
  })

  it('goes back where a gesture is given up', () => {
    const { suggestion } = desk()
    suggestion.start()
    suggestion.begin()
    suggestion.show([point(0, 0)])
    suggestion.cancel()
    expect([suggestion.points, suggestion.canUndo]).toEqual([own, false])
  })

  it('begins level at the setting where there is no line, and ends with the hand-in', async () => {
    const { review, suggestion } = desk()
    review.address = 'track/reed/pan'
    suggestion.start()
    expect(suggestion.points).toEqual([point(0, 0)])
    review.handIn = { ...review.handIn!, id: 'other' }
    await nextTick()
    expect(suggestion.drawing).toBe(false)
  })

  it('may be drawn where the student has locked the lane', () => {
    const { review, suggestion } = desk()
    const locked = withLane(mix, REED, { open: false })
    review.handIn = { ...review.handIn!, document: { mix: locked, notes: [] } } as never
    suggestion.start()
    suggestion.set([point(0, -5)])
    expect(envelopeOf(suggestion.mix!, REED)!.points).toEqual([point(0, -5)])
  })
})
