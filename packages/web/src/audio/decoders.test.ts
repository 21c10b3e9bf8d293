import { describe, expect, it } from 'vitest'
import type { DecodeAnswer, DecodeTask } from './decode.worker'
import { Decoders, type DecodeWorker } from './decoders'

/** Decoders whose workers answer when they are told to, and a page that rests when it is told to. */
function made(count = 2) {
  const workers: { at: DecodeTask | null; answer: (answer: DecodeAnswer) => void }[] = []
  let rest = () => {}
  const decoders = new Decoders(
    count,
    () => {
      const own = { at: null as DecodeTask | null, answer: (() => {}) as (answer: DecodeAnswer) => void }
      workers.push(own)
      const worker: DecodeWorker = {
        postMessage: (task: DecodeTask) => (own.at = task),
        onmessage: null,
      }
      own.answer = (data) => {
        own.at = null
        worker.onmessage!.call(worker as Worker, { data } as MessageEvent<DecodeAnswer>)
      }
      return worker
    },
    (then) => (rest = then),
  )
  const task = (id: string): DecodeTask => ({ id, bytes: new Uint8Array(4), frames: 2 })
  const sound = (id: string): DecodeAnswer => ({ id, channels: [new Int16Array(2)] })
  const busy = () => workers.map((w) => w.at?.id ?? null)
  return { decoders, workers, task, sound, busy, rest: () => rest() }
}

describe('decoders', () => {
  it('leave a core to the page until it rests, then all help', async () => {
    const { decoders, workers, task, sound, busy, rest } = made()
    const all = ['a', 'b', 'c'].map((id) => decoders.decode(task(id)))
    expect(busy()).toEqual(['a', null])
    rest()
    expect(busy()).toEqual(['a', 'b'])
    workers[1]!.answer(sound('b'))
    expect(busy()).toEqual(['a', 'c'])
    workers[0]!.answer(sound('a'))
    workers[1]!.answer(sound('c'))
    expect((await Promise.all(all)).map((a) => a.frames)).toEqual([2, 2, 2])
  })

  it('wait for rest again with the next page', () => {
    const { decoders, workers, task, sound, busy, rest } = made()
    void decoders.decode(task('a'))
    rest()
    workers[0]!.answer(sound('a'))
    void decoders.decode(task('b'))
    void decoders.decode(task('c'))
    expect(busy().filter(Boolean)).toHaveLength(1)
    rest()
    expect(busy().filter(Boolean)).toHaveLength(2)
  })

  it('say what is damaged, and go on', async () => {
    const { decoders, workers, task, sound } = made(1)
    const [damaged, whole] = [decoders.decode(task('a')), decoders.decode(task('b'))]
    workers[0]!.answer({ id: 'a', error: 'This audio arrived damaged.' })
    workers[0]!.answer(sound('b'))
    await expect(damaged).rejects.toThrow('This audio arrived damaged.')
    await expect(whole).resolves.toMatchObject({ frames: 2 })
  })
})
