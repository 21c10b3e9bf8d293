import { EditRefused, point, scaleSpan, shiftSpan } from '@rudlo/core/envelope'
import { envelopeOf, plainMix, trackLevel, withPoints, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../../test/short-song'
import { useSpanActions } from './span-actions'

const LEVEL = trackLevel('reed')
const PAN = 'track/reed/pan'
const stores = vi.hoisted(() => ({
  work: {} as Record<string, unknown>,
  desk: {} as Record<string, unknown>,
}))
vi.mock('../../document/work-store', () => ({ useWork: () => stores.work }))
vi.mock('../desk-store', () => ({ useDesk: () => stores.desk }))

const drawn = withPoints(
  withPoints(plainMix(song), LEVEL, [point(0, -12)], () => 'l'),
  PAN,
  [point(0, -0.5)],
  () => 'p',
)
const span = { from: 3840, to: 7680 }
let mix: Mix
let steps: { label: string; lanes: string[]; from: number; to: number }[]

beforeEach(() => {
  mix = drawn
  steps = []
  stores.work = {
    get mix() {
      return mix
    },
    notice: null,
    setMix: (make: (now: Mix) => Mix, change: (typeof steps)[number]) => {
      try {
        mix = make(mix)
      } catch (error) {
        if (!(error instanceof EditRefused)) throw error
        stores.work['notice'] = error.message
        return null
      }
      steps.push(change)
      return change
    },
  }
  stores.desk = {
    song,
    time: songTime(song),
    selection: span,
    address: LEVEL,
    across: false,
    lanes: [{ address: LEVEL }, { address: PAN }],
    isOpen: () => true,
  }
})

const raise = () =>
  useSpanActions().act('Raised', ({ points, control }) => shiftSpan(points, control.scale, span, 0.1))

describe('an action on selected bars', () => {
  it('says which bars they are', () => {
    const { where, here } = useSpanActions()
    expect([where.value, here.value!.control.name]).toEqual(['Bar 2', 'Volume'])
    stores.desk['selection'] = { from: 3840, to: 15_360 }
    expect(useSpanActions().where.value).toBe('Bars 2 to 4')
    stores.desk['selection'] = null
    expect(useSpanActions().where.value).toBe('')
  })

  it('is one step on the lane at hand', () => {
    expect(raise()).not.toBeNull()
    expect(steps).toEqual([{ label: 'Raised, volume of Reed, bar 2', lanes: [LEVEL], from: 3840, to: 7680 }])
    expect(envelopeOf(mix, LEVEL)!.points.length).toBeGreaterThan(1)
    expect(envelopeOf(mix, PAN)).toBe(envelopeOf(drawn, PAN))
  })

  it('is one step on all lanes of the desk, but for those that are folded', () => {
    stores.desk['across'] = true
    raise()
    expect(steps[0]).toMatchObject({ label: 'Raised, 2 lanes, bar 2', lanes: [LEVEL, PAN] })
    expect(envelopeOf(mix, PAN)!.points.length).toBeGreaterThan(1)
    stores.desk['lanes'] = [{ address: LEVEL }, { address: PAN, folded: true }]
    raise()
    expect(steps[1]!.lanes).toEqual([LEVEL])
  })

  it('leaves out what is locked, and says so where nothing else is left', () => {
    stores.desk['isOpen'] = (lane: string) => lane === PAN
    expect(raise()).toBeNull()
    expect([steps.length, stores.work['notice']]).toEqual([0, 'Reed is locked. Unlock it first.'])
    stores.desk['across'] = true
    raise()
    expect(steps[0]!.lanes).toEqual([PAN])
    expect(stores.work['notice']).toBe('Reed is locked, so it was left out.')
  })

  it('changes nothing at all where one of several lanes refuses', () => {
    stores.desk['across'] = true
    const act = useSpanActions().act('Scaled', ({ points, control }) => {
      if (control.name === 'Pan') throw new EditRefused('Not this one.')
      return scaleSpan(points, control.scale, span, 2)
    })
    expect([act, steps.length, stores.work['notice']]).toEqual([null, 0, 'Not this one.'])
    expect(mix).toBe(drawn)
  })

  it('does nothing where no bars are selected', () => {
    stores.desk['selection'] = null
    expect(raise()).toBeNull()
    expect(mix).toBe(drawn)
  })
})
