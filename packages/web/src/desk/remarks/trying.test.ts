import { point } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, withLane, withPoints, type Mix } from '@rudlo/core/mix'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../../test/short-song'
import { useTrying } from './trying'

const REED = 'track/reed/level'
const line = [point(0, -6), point(960, -12)]
const stores = vi.hoisted(() => ({
  work: {} as Record<string, unknown>,
  desk: {} as Record<string, unknown>,
}))
vi.mock('../../document/work-store', () => ({ useWork: () => stores.work }))
vi.mock('../desk-store', () => ({ useDesk: () => stores.desk }))

const remark = (more: object = {}) =>
  ({ id: 'r', lane: REED, from: 0, to: 960, text: '', suggestion: line, ...more }) as never

beforeEach(() => {
  setActivePinia(createPinia())
  stores.work = {
    mix: plainMix(song),
    notes: [],
    heard: null,
    notice: null,
    setPoints: vi.fn(),
    hear: vi.fn((what: string | null) => (stores.work['heard'] = what)),
  }
  stores.desk = { hinted: null, song, showRemark: vi.fn(), isOpen: () => true }
})

describe('a suggestion at the bench', () => {
  it('is shown dotted and heard, and the own line is heard again', () => {
    const trying = useTrying()
    trying.hear(remark())
    expect(stores.desk['hinted']).toEqual({ lane: REED, points: line })
    const [what, { mix }] = (stores.work['hear'] as ReturnType<typeof vi.fn>).mock.calls[0] as [
      string,
      { mix: Mix },
    ]
    expect([what, envelopeOf(mix, REED)!.points]).toEqual(['r', line])
    expect(stores.work['setPoints']).not.toHaveBeenCalled()
    trying.hear(remark())
    expect(stores.desk['hinted']).toBeNull()
  })

  it('is taken as one step, and never on a lane that is locked', () => {
    const trying = useTrying()
    trying.take(remark())
    expect(stores.work['setPoints']).toHaveBeenCalledWith(
      REED,
      line,
      expect.objectContaining({ lanes: [REED] }),
    )
    stores.desk['isOpen'] = () => false
    trying.take(remark())
    expect(stores.work['setPoints']).toHaveBeenCalledTimes(1)
    expect(stores.work['notice']).toMatch(/locked/)
    trying.take(remark({ suggestion: null }))
    trying.hear(remark({ lane: null }))
    expect(stores.work['setPoints']).toHaveBeenCalledTimes(1)
  })

  it('is heard on a locked lane, and says where the lane is gone', () => {
    const trying = useTrying()
    const own = withPoints(plainMix(song), REED, [point(0, 0)], () => 'own')
    stores.work['mix'] = withLane(own, REED, { open: false })
    trying.hear(remark())
    expect(stores.work['hear']).toHaveBeenCalledTimes(1)
    trying.hear(remark())
    const gone = remark({ id: 'gone', lane: 'track/reed/effect/none/cutoff' })
    trying.hear(gone)
    trying.take(gone)
    expect(stores.work['notice']).toBe('Your mix no longer has this lane.')
    expect(stores.desk['showRemark']).toHaveBeenCalledTimes(1)
    expect(stores.work['setPoints']).not.toHaveBeenCalled()
  })
})
