import { describe, expect, it, vi } from 'vitest'
import type { MoodyApi } from '../../test/workers/moody.worker'
import { WorkerHost, WorkerLost } from './worker-host'

function host() {
  const start = vi.fn(
    () => new Worker(new URL('../../test/workers/moody.worker.ts', import.meta.url), { type: 'module' }),
  )
  return { start, made: new WorkerHost<MoodyApi>(start, (remote) => remote.begin()) }
}

describe('a worker', () => {
  it('is started when it is first asked, told what it needs, and asked again', async () => {
    const { start, made } = host()
    expect(start).not.toHaveBeenCalled()
    expect(await made.ask((remote) => remote.add(2, 3))).toBe(5)
    expect(await made.ask((remote) => remote.times())).toBe(1)
    expect(start).toHaveBeenCalledOnce()
    made.close()
  })

  it('tells what it throws, and goes on', async () => {
    const { start, made } = host()
    await expect(made.ask((remote) => remote.refuse())).rejects.toThrow('That is too much.')
    expect(await made.ask((remote) => remote.add(1, 1))).toBe(2)
    expect(start).toHaveBeenCalledOnce()
    made.close()
  })

  it('that dies is followed by a fresh one, which is asked instead', async () => {
    const { start, made } = host()
    const answers: string[] = []
    const asked = made.ask((remote) => {
      answers.push('asked')
      return answers.length === 1 ? remote.die() : remote.add(4, 4)
    })
    expect(await asked).toBe(8)
    expect(start).toHaveBeenCalledTimes(2)
    made.close()
  })

  it('that dies again is told to whoever waits: nobody waits for ever', async () => {
    const { start, made } = host()
    await expect(made.ask((remote) => remote.die())).rejects.toBeInstanceOf(WorkerLost)
    expect(start).toHaveBeenCalledTimes(2)
    expect(await made.ask((remote) => remote.add(1, 2))).toBe(3)
    made.close()
  })

  it('whose script cannot be had is told as well', async () => {
    const gone = new WorkerHost<MoodyApi>(
      () => new Worker(new URL('/no/such/script.js', location.href), { type: 'module' }),
    )
    await expect(gone.ask((remote) => remote.add(1, 1))).rejects.toBeInstanceOf(WorkerLost)
  })

  it('that is closed answers nobody any more', async () => {
    const { made } = host()
    const asked = made.ask((remote) => remote.sleep())
    await made.ask((remote) => remote.add(1, 1))
    made.close()
    await expect(asked).rejects.toBeInstanceOf(WorkerLost)
  })
})
