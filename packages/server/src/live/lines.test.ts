import type { SSEStreamingApi } from 'hono/streaming'
import { describe, expect, it, vi } from 'vitest'
import type { Happening } from './entities'
import type { Happenings, Listener } from './happenings'
import { LiveLines } from './lines'

const happening = (id: number): Happening =>
  ({
    id: String(id),
    personId: 'anna',
    kind: 'point',
    data: '{"assignment":"a","handIn":""}',
    at: new Date(),
  }) as Happening

/** A page that writes down what it is sent, and goes away as soon as the line would wait. */
function page() {
  const ids: string[] = []
  const stream = {
    aborted: false,
    closed: false,
    onAbort: () => undefined,
    close: async () => void (stream.closed = true),
    write: async () => undefined,
    writeSSE: async ({ id }: { id?: string }) => void (id && ids.push(id)),
    sleep: async () => void (stream.closed = true),
  }
  return { ids, stream: stream as unknown as SSEStreamingApi }
}

describe('a line that was cut off', () => {
  it('brings what was missed before what happens meanwhile, and nothing twice', async () => {
    let listener: Listener | undefined
    const happenings = {
      listen: async (mine: Listener) => {
        listener = mine
        return () => undefined
      },
      since: vi.fn(async () => {
        // while it is looked up, the newest of them is passed on, and one more
        listener!.tell(happening(8))
        listener!.tell(happening(9))
        return [happening(7), happening(8)]
      }),
    }
    const { ids, stream } = page()
    const lines = new LiveLines(happenings as unknown as Happenings)
    await lines.run(stream, 'anna', '6', async () => true)
    await vi.waitFor(() => expect(ids).toEqual(['7', '8', '9']))
  })

  it('that knows everything begins with what happens next', async () => {
    let listener: Listener | undefined
    const listen = async (mine: Listener) => {
      listener = mine
      return () => undefined
    }
    const since = vi.fn()
    const { ids, stream } = page()
    const lines = new LiveLines({ listen, since } as unknown as Happenings)
    const line = lines.run(stream, 'anna', null, async () => true)
    await vi.waitFor(() => expect(listener).toBeDefined())
    listener!.tell(happening(3))
    await line
    await vi.waitFor(() => expect(ids).toEqual(['3']))
    expect(since).not.toHaveBeenCalled()
  })
})
