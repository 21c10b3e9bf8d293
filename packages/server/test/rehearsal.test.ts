import { readAssessment, readWork } from '@rudlo/core/stored'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
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

  it('measures and judges as a hand-in is measured, and keeps nothing', async () => {
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

  it('that fails is written down, and one that the end of the server cuts short is not', async () => {
    const log: string[] = []
    const run = () => Promise.reject(new Error('no more'))
    const made = () =>
      new Rehearsal({ measurers: { run }, decoders: { run } }, 1, (reason) => log.push(reason), 0)
    made().start()
    await expect.poll(() => log).toEqual(['no more'])
    const ended = made()
    ended.start()
    ended.close()
    await new Promise((resolve) => setTimeout(resolve, 30))
    expect(log).toHaveLength(1)
  })
})
