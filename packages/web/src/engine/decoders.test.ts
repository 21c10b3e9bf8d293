import { describe, expect, it } from 'vitest'
import { Decoders, type Decoder, type DecodeTask } from './decoders'

/** Decoders that answer when they are told to, and a page that rests when it is told to. */
function made(count = 2) {
  interface Own {
    at: string | null
    answer(): void
    fail(problem: string): void
  }
  const workers: Own[] = []
  let rest = () => {}
  const start = (): Decoder => {
    const own: Own = { at: null, answer: () => {}, fail: () => {} }
    workers.push(own)
    return {
      warm: () => {},
      head: ({ bytes }) => Promise.resolve(bytes[0]!),
      decode: ({ bytes }) =>
        new Promise((resolve, reject) => {
          own.at = String.fromCharCode(bytes[0]!)
          const end = (then: () => void) => {
            own.at = null
            then()
          }
          own.answer = () => end(resolve)
          own.fail = (problem) => end(() => reject(new Error(problem)))
        }),
    }
  }
  const decoders = new Decoders(count, start, (then) => (rest = then))
  const task = (id: string): DecodeTask => ({ bytes: Uint8Array.of(id.charCodeAt(0)), into: [] })
  const busy = () => workers.map((w) => w.at)
  return { decoders, workers, task, busy, rest: () => rest() }
}

/** Lets promises that are settled say so. */
const settled = () => new Promise((done) => setTimeout(done))

describe('decoders', () => {
  it('leave a core to the page until it rests, then all help', async () => {
    const { decoders, workers, task, busy, rest } = made()
    const all = ['a', 'b', 'c'].map((id) => decoders.decode(task(id)))
    expect(busy()).toEqual(['a', null])
    rest()
    expect(busy()).toEqual(['a', 'b'])
    workers[1]!.answer()
    await settled()
    expect(busy()).toEqual(['a', 'c'])
    workers[0]!.answer()
    workers[1]!.answer()
    await Promise.all(all)
    expect(busy()).toEqual([null, null])
  })

  it('take beginnings before whole files, and all at once', async () => {
    const { decoders, workers, task, busy } = made()
    const whole = [decoders.decode(task('a')), decoders.decode(task('b'))]
    expect(busy()).toEqual(['a', null])
    // the second decoder, which would wait for the page to rest, takes them
    expect(await Promise.all([decoders.head(task('x')), decoders.head(task('y'))])).toEqual([120, 121])
    workers[0]!.answer()
    await whole[0]
  })

  it('wait for rest again with the next page', async () => {
    const { decoders, workers, task, busy, rest } = made()
    void decoders.decode(task('a'))
    rest()
    workers[0]!.answer()
    await settled()
    void decoders.decode(task('b'))
    void decoders.decode(task('c'))
    expect(busy().filter(Boolean)).toHaveLength(1)
    rest()
    expect(busy().filter(Boolean)).toHaveLength(2)
  })

  it('say what is damaged, and go on', async () => {
    const { decoders, workers, task } = made(1)
    const [damaged, whole] = [decoders.decode(task('a')), decoders.decode(task('b'))]
    workers[0]!.fail('This audio arrived damaged.')
    await expect(damaged).rejects.toThrow('This audio arrived damaged.')
    await settled()
    workers[0]!.answer()
    await whole
  })
})
