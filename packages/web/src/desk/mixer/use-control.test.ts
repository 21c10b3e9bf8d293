import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { reactive } from 'vue'
import { shortSong as song } from '../../../test/short-song'
import { useControl } from './use-control'

const LEVEL = trackLevel('reed')
const stores = vi.hoisted(() => ({
  work: {} as Record<string, unknown>,
  desk: {} as Record<string, unknown>,
  player: {} as Record<string, unknown>,
  pass: {} as Record<string, unknown>,
}))
vi.mock('../../document/work-store', () => ({ useWork: () => stores.work }))
vi.mock('../desk-store', () => ({ useDesk: () => stores.desk }))
vi.mock('../../engine/player-store', () => ({ usePlayer: () => stores.player }))
vi.mock('../pass/pass-store', () => ({ usePass: () => stores.pass }))

/** Somebody's hand on a control that nothing else knows of, without a pass. */
function setup(mix: Mix) {
  const work = reactive({
    mix,
    base: null as Mix | null,
    steps: [] as string[],
    begin: () => (work.base ??= work.mix),
    previewMix: (make: (now: Mix) => Mix) => (work.mix = make(work.base!)),
    commit: ({ label }: { label: string }) => void work.steps.push(label),
    setMix: (make: (now: Mix) => Mix, { label }: { label: string }) => {
      work.mix = make(work.mix)
      work.steps.push(label)
    },
  })
  stores.work = work
  stores.desk = { song, asked: null, touch: vi.fn() }
  stores.player = reactive({ moves: true, position: 0 })
  return { work, control: useControl(() => LEVEL) }
}

beforeEach(() => {
  const hand = { takes: () => false, holds: () => false }
  stores.pass = { ...hand, grab: vi.fn(() => true), move: vi.fn(), release: vi.fn(), tap: vi.fn() }
})

const plain = plainMix(song)
const line = withPoints(plain, LEVEL, [point(0, -30), point(3840, 0)], () => 'l')

describe('a control without a line', () => {
  it('follows the hand, and is one step when it is let go', () => {
    const { work, control } = setup(plain)
    expect([control.value.value, control.inCharge.value, control.name.value]).toEqual([
      0,
      false,
      'volume of Reed',
    ])
    expect(control.begin()).toBe(true)
    control.preview(-4)
    control.preview(-6)
    expect([control.value.value, work.steps]).toEqual([-6, []])
    control.commit()
    expect(work.steps).toEqual(['Set volume of Reed to −6.0 dB'])
  })

  it('is set by typing, and brings its lane to the desk', () => {
    const { work, control } = setup(plain)
    control.set(-3)
    expect([control.value.value, work.steps]).toEqual([-3, ['Set volume of Reed to −3.0 dB']])
    expect(stores.desk['touch']).toHaveBeenCalledWith(LEVEL)
  })
})

describe('a control that a line is in charge of', () => {
  it('shows the line where the music is, and the setting where moves are off', () => {
    const { control } = setup(withSetting(line, LEVEL, -12))
    expect([control.value.value, control.inCharge.value]).toEqual([expect.closeTo(-30, 9), true])
    stores.player['position'] = 3840
    expect(control.value.value).toBeCloseTo(0, 9)
    stores.player['moves'] = false
    expect([control.value.value, control.inCharge.value]).toEqual([-12, false])
  })

  it('is not moved by the hand: it asks what is meant', () => {
    const { work, control } = setup(line)
    expect(control.begin()).toBe(false)
    expect(stores.desk['asked']).toBe(LEVEL)
    stores.desk['asked'] = null
    control.set(-3)
    expect([stores.desk['asked'], work.steps]).toEqual([LEVEL, []])
  })
})

describe('a control in a pass', () => {
  it('is written by the hand, whatever line is there', () => {
    const { work, control } = setup(line)
    let held = false
    Object.assign(stores.pass, {
      takes: () => true,
      holds: () => held,
      grab: vi.fn(() => (held = true)),
    })
    expect(control.begin()).toBe(true)
    control.preview(-9, 120)
    control.commit()
    expect(stores.pass['grab']).toHaveBeenCalledWith(LEVEL, expect.closeTo(-30, 9))
    expect(stores.pass['move']).toHaveBeenCalledWith(LEVEL, -9, 120)
    expect(stores.pass['release']).toHaveBeenCalledWith(LEVEL)
    control.set(-2)
    expect(stores.pass['tap']).toHaveBeenCalledWith(LEVEL, expect.closeTo(-30, 9), -2)
    expect([work.steps, stores.desk['asked']]).toEqual([[], null])
  })
})
