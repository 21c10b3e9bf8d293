import { point } from '@rudlo/core/envelope'
import { plainMix, trackLevel, withSetting, type WorkDocument } from '@rudlo/core/mix'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { shortSong as song } from '../../test/short-song'
import { useEditing } from './editing'

const REED = trackLevel('reed')
const change = (label: string) => ({ label, lanes: [REED], from: 0, to: 960 })
const begun: WorkDocument = { mix: plainMix(song), notes: [] }

const ports = { locked: false, load: vi.fn(), changed: vi.fn(), say: vi.fn() }
function opened() {
  const editing = useEditing({ ...ports, isLocked: () => ports.locked })
  editing.owner.takeUp(begun)
  return editing
}

beforeEach(() => {
  vi.useFakeTimers()
  vi.clearAllMocks()
  ports.locked = false
})
afterEach(async () => {
  // what is calm comes to rest before the next test
  await vi.advanceTimersByTimeAsync(2000)
  vi.useRealTimers()
})

describe('a gesture', () => {
  it('is one step, and none where it changed nothing or was taken back', () => {
    const editing = opened()
    editing.begin()
    for (const db of [-3, -6, -9]) editing.preview(REED, [point(0, db)])
    editing.commit(change('Moved a point'))
    expect(editing.history.value.done).toHaveLength(1)
    editing.begin()
    editing.previewMix((mix) => withSetting(mix, REED, 0))
    editing.commit(change('Nothing'))
    editing.begin()
    editing.previewMix((mix) => withSetting(mix, REED, -20))
    editing.cancel()
    expect(editing.history.value.done).toHaveLength(1)
    expect(editing.mix.value!.tracks[0]!.level).toBe(0)
    expect(ports.changed).toHaveBeenCalledOnce()
  })

  it('lets the line in hand run ahead, heard at once, and the document follow when the hand rests', async () => {
    const editing = opened()
    const level = () => editing.envelope(REED)?.points[0]?.value
    editing.begin()
    editing.preview(REED, [point(0, -3)])
    expect(level()).toBe(-3)
    for (const db of [-6, -9]) editing.preview(REED, [point(0, db)])
    expect(level()).toBe(-3)
    expect(editing.inHand.value).toMatchObject({ address: REED, points: [{ value: -9 }] })
    expect(ports.load).toHaveBeenLastCalledWith(editing.inHand.value!.document.mix)
    await vi.advanceTimersByTimeAsync(300)
    expect(level()).toBe(-9)
    editing.preview(REED, [point(0, -12)])
    // whatever else is done meanwhile begins where the hand is
    editing.setNotes((notes) => [...notes, { id: 'n', tick: 0, text: 'soft', done: false }], change('Note'))
    expect([level(), editing.inHand.value]).toEqual([-12, null])
    editing.preview(REED, [point(0, -14)])
    editing.preview(REED, [point(0, -15)])
    editing.commit(change('Moved a point'))
    expect([level(), editing.inHand.value]).toEqual([-15, null])
    expect(ports.load).toHaveBeenLastCalledWith(editing.mix.value)
  })

  it('is taken back, however far the hand had come', async () => {
    const editing = opened()
    editing.begin()
    for (const db of [-3, -6, -9]) editing.preview(REED, [point(0, db)])
    editing.cancel()
    expect([editing.envelope(REED), editing.inHand.value]).toEqual([undefined, null])
    expect(ports.load).toHaveBeenLastCalledWith(editing.mix.value)
    await vi.advanceTimersByTimeAsync(2000)
    expect(editing.envelope(REED)).toBeUndefined()
  })

  it('holds up the way back until it has ended', () => {
    const editing = opened()
    editing.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    editing.begin()
    editing.undo()
    expect(editing.mix.value!.tracks[0]!.level).toBe(-6)
    editing.cancel()
    editing.undo()
    expect(editing.mix.value!.tracks[0]!.level).toBe(0)
  })
})

describe('a step', () => {
  it('that a limit refuses says so and changes nothing', () => {
    const editing = opened()
    const many = Array.from({ length: 5001 }, (_, i) => point(i, 0))
    editing.setPoints(REED, many, change('Too much'))
    expect(ports.say).toHaveBeenCalledWith(expect.stringMatching(/points, the most/))
    expect([editing.history.value.done, ports.changed.mock.calls]).toEqual([[], []])
  })

  it('is made anew while it is the newest, from where it began', () => {
    const editing = opened()
    const first = editing.setMix((mix) => withSetting(mix, REED, -6), change('Set'))!
    const second = editing.amend(first, (mix) => withSetting(mix, REED, -9), change('Set further'))!
    expect(editing.history.value.done.map((s) => s.label)).toEqual(['Set further'])
    expect([second.before, editing.mix.value!.tracks[0]!.level]).toEqual([begun, -9])
    expect(editing.amend(first, (mix) => withSetting(mix, REED, -12), change('Too late'))).toBeNull()
    expect(editing.mix.value!.tracks[0]!.level).toBe(-9)
  })
})

describe('a document', () => {
  it('that is locked is changed in no way, and can still be heard', () => {
    const editing = opened()
    editing.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    const before = editing.document.value!
    const { done } = editing.history.value
    vi.clearAllMocks()
    ports.locked = true
    editing.setPoints(REED, [point(0, -3)], change('Added a point'))
    editing.setNotes(() => [{ id: 'n', tick: 0, text: 'soft', done: false }], change('Note'))
    editing.replace(begun, 'Went on from the start')
    editing.amend(done[0]!, (mix) => withSetting(mix, REED, -9), change('Set'))
    editing.undo()
    editing.begin()
    editing.preview(REED, [point(0, -9)])
    editing.previewMix((mix) => withSetting(mix, REED, -9))
    editing.commit(change('Moved a point'))
    expect([editing.document.value, editing.history.value.done]).toEqual([before, done])
    expect([ports.changed.mock.calls, ports.load.mock.calls]).toEqual([[], []])
    editing.hear('start', begun)
    expect([editing.heard.value, editing.document.value]).toEqual(['start', before])
    expect(ports.load).toHaveBeenLastCalledWith(begun.mix)
  })

  it('that came from elsewhere has no way back to before it', () => {
    const editing = opened()
    editing.setMix((mix) => withSetting(mix, REED, -6), change('Set'))
    editing.owner.adopt(begun)
    expect(editing.canUndo.value).toBe(false)
    editing.undo()
    expect(editing.document.value).toBe(begun)
    expect(ports.load).toHaveBeenLastCalledWith(begun.mix)
  })
})
