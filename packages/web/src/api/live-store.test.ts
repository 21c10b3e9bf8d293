import { serveWith } from '../../test/fake-server'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { useLive } from './live-store'

const calls = vi.hoisted(() => ({ get: vi.fn() }))
serveWith({ ...calls })

class Line {
  static readonly all: Line[] = []
  readyState = 0
  readonly ears = new Map<string, (event: { data: string }) => void>()
  close = vi.fn(() => (this.readyState = 2))
  constructor(readonly url: string) {
    Line.all.push(this)
  }
  addEventListener(kind: string, ear: (event: { data: string }) => void) {
    this.ears.set(kind, ear)
  }
  hear(kind: string, data: unknown = '') {
    this.ears.get(kind)!({ data: JSON.stringify(data) })
  }
}

const happening = (id: number) => ({
  id: String(id),
  kind: 'handed in',
  data: { assignment: 'a', handIn: 'h' },
})

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', Line)
  Line.all.length = 0
  setActivePinia(createPinia())
  calls.get.mockReset()
  calls.get.mockResolvedValue({ newest: '7', happenings: [] })
})
afterEach(() => void vi.useRealTimers())

describe('what happens elsewhere', () => {
  it('comes over the line, once, from where the page began', async () => {
    const heard = vi.fn()
    const scope = effectScope()
    scope.run(() => useLive().listen(heard))
    await vi.advanceTimersByTimeAsync(10)
    const [line] = Line.all
    expect(line!.url).toBe('/api/happenings/live?after=7')
    line!.hear('open')
    line!.hear('happening', happening(8))
    line!.hear('happening', happening(8))
    expect(heard.mock.calls).toEqual([[happening(8)]])
    scope.stop()
    expect(line!.close).toHaveBeenCalled()
  })

  it('is heard though it has a lower id than what came before, and a lost line goes on from the highest', async () => {
    const heard = vi.fn()
    const scope = effectScope()
    scope.run(() => useLive().listen(heard))
    await vi.advanceTimersByTimeAsync(10)
    for (const id of [9, 5, 5, 9]) Line.all[0]!.hear('happening', happening(id))
    expect(heard.mock.calls).toEqual([[happening(9)], [happening(5)]])
    Line.all[0]!.readyState = 2
    Line.all[0]!.hear('error')
    await vi.advanceTimersByTimeAsync(6000)
    expect(Line.all.at(-1)!.url).toBe('/api/happenings/live?after=9')
    scope.stop()
  })

  it('is asked for while there is no line, and nobody is told twice', async () => {
    const heard = vi.fn()
    const scope = effectScope()
    scope.run(() => useLive().listen(heard))
    await vi.advanceTimersByTimeAsync(10)
    Line.all[0]!.hear('error')
    calls.get.mockResolvedValue({ newest: '9', happenings: [happening(8), happening(9)] })
    await vi.advanceTimersByTimeAsync(15_000)
    expect(heard).toHaveBeenCalledTimes(2)
    scope.stop()
  })

  it('opens a line that the browser has given up', async () => {
    const scope = effectScope()
    scope.run(() => useLive().listen(() => null))
    await vi.advanceTimersByTimeAsync(10)
    Line.all[0]!.readyState = 2
    Line.all[0]!.hear('error')
    await vi.advanceTimersByTimeAsync(6000)
    expect(Line.all.length).toBeGreaterThan(1)
    scope.stop()
  })
})
