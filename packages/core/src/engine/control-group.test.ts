import { describe, expect, it, vi } from 'vitest'
import { compileLine, point } from '../envelope'
import { EngineMemory } from '../kernels'
import { levelScale } from '../scale'
import { TempoMap } from '../time'
import { BLOCK, BlockTime } from './block'
import { ControlGroup } from './control-group'
import { ControlSignal } from './control-signal'
import { levelQuantity } from './quantity'

function group() {
  const memory = new EngineMemory().part()
  const [one, two] = [
    new ControlSignal(levelQuantity, memory),
    new ControlSignal(levelQuantity, memory),
  ] as const
  const runs = [vi.spyOn(one, 'run'), vi.spyOn(two, 'run')] as const
  const block = new BlockTime(new TempoMap([{ tick: 0, bpm: 120, form: 'hold' }]))
  const controls = new ControlGroup([one, two])
  let at = 0
  const run = (moves = true) => {
    block.set(at, BLOCK)
    at += BLOCK
    controls.run(block, moves)
  }
  return { one, two, runs, controls, run }
}

describe('controls of one owner', () => {
  const line = compileLine([point(0, -20), point(19_200, 0)], levelScale)

  it('are left alone while they rest, and taken up again when one is given something new', () => {
    const { one, two, runs, controls, run } = group()
    one.load({ setting: 0, line: null })
    two.load({ setting: -6, line })
    for (let i = 0; i < 10; i++) run()
    expect(runs[0]).toHaveBeenCalledTimes(1)
    expect(runs[1]).toHaveBeenCalledTimes(10)
    one.load({ setting: -90, line: null })
    controls.wake()
    run()
    expect(one.uniform).toBe(false)
    for (let i = 0; i < 3; i++) run()
    expect([one.uniform, one.value]).toEqual([true, 0])
    const visits = runs[0].mock.calls.length
    run()
    expect(runs[0]).toHaveBeenCalledTimes(visits)
  })

  it('follow their lines again when moves are switched on', () => {
    const { two, controls, run } = group()
    two.load({ setting: 0, line })
    controls.wake()
    for (let i = 0; i < 5; i++) run(false)
    expect([two.uniform, two.value]).toEqual([true, 1])
    for (let i = 0; i < 5; i++) run(true)
    expect(two.value).toBeLessThan(0.2)
  })
})
