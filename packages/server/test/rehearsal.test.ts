import { readAssessment, readWork } from '@rudlo/core/stored'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { WHOLE } from '../../../scripts/lib/whole.mjs'
import { HandIn } from '../src/handins/entities'
import { Rehearsal, rehearsalTask } from '../src/jobs/rehearsal'
import { makeWorld, type World } from './world'

let world: World
beforeAll(async () => {
  world = await makeWorld()
})
afterAll(() => world.close())

describe('a rehearsal', () => {
  it('is of a song and of mixes as they could be kept, each another one', () => {
    const mixes = [0, 1, 7].map((number) => {
      const { song, mix } = rehearsalTask(number)
      expect(checkSong(song)).toEqual({ ok: true, song: expect.anything() })
      if (!('work' in mix)) throw new Error('That is no work.')
      const { mix: drawn } = readWork(mix.work)
      expect(checkMix(drawn, song)).toEqual({ ok: true, mix: expect.anything() })
      return JSON.stringify(drawn)
    })
    expect(new Set(mixes).size).toBe(3)
  })

  it.runIf(WHOLE)('measures and judges as a hand-in is measured, and keeps nothing', async () => {
    const count = () => world.database.getRepository(HandIn).count()
    const before = await count()
    const found = await world.services.rehearsal.run()
    expect(found.length).toBeGreaterThanOrEqual(4)
    for (const { measurement, assessment } of found) {
      const { tasks } = readAssessment(assessment)!
      expect(tasks.length).toBeGreaterThan(3)
      expect(tasks.flatMap((task) => task.checks).length).toBeGreaterThan(tasks.length - 1)
      expect(measurement).toContain('loudness')
    }
    expect(await count()).toBe(before)
  })

  const log: string[] = []
  const made = (load: () => number, busy = () => false) => {
    const run = () => Promise.reject(new Error('no more'))
    const of = { measurers: { run }, decoders: { run } }
    return new Rehearsal(of, 1, (reason) => log.push(reason), { firstMs: 0, lookMs: 5, load, busy })
  }
  const moment = () => new Promise((resolve) => setTimeout(resolve, 40))

  it('that fails is written down, and one that the end of the server cuts short is not', async () => {
    log.length = 0
    made(() => 0).start()
    await expect.poll(() => log).toEqual(['no more'])
    const ended = made(() => 0)
    ended.start()
    ended.close()
    await moment()
    expect(log).toHaveLength(1)
  })

  it('waits until the server is at rest', async () => {
    log.length = 0
    let load = 0.9
    const waiting = made(() => load)
    waiting.start()
    await moment()
    expect(log).toEqual([])
    load = 0.1
    let busy = true
    waiting.close()
    const other = made(
      () => load,
      () => busy,
    )
    other.start()
    await moment()
    expect(log).toEqual([])
    busy = false
    await expect.poll(() => log).toEqual(['no more'])
  })

  it('waits while the server is asked for much, however easily it answers', async () => {
    log.length = 0
    const rehearsal = made(() => 0.1)
    const asking = setInterval(() => Array.from({ length: 20 }, () => rehearsal.asked()), 1)
    rehearsal.start()
    await moment()
    expect(log).toEqual([])
    clearInterval(asking)
    await expect.poll(() => log).toEqual(['no more'])
  })
})
