import { readAssessment, readKeptBrief } from '@rudlo/core/stored'
import { point } from '@rudlo/core/envelope'
import { HandIn } from '../src/handins/entities'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { type Client } from './client'
import { handedIn, type HandInAnswer } from './story'
import { makeWorld, type World } from './world'

let world: World
let anna: Client
beforeAll(async () => {
  world = await makeWorld()
  anna = await world.as('anna')
})
afterAll(() => world.close())

describe('a hand-in that cannot be measured', () => {
  it('is tried again with pauses, then it has failed for a reason, can be looked at, and measured again', async () => {
    const other = await makeWorld({ pauses: [10, 20] })
    const student = await other.as('anna')
    const reviewer = await other.as('teacher')
    // its recording is gone from the disk
    await other.database.query('UPDATE asset_chunks SET data = SUBSTR(data, 1, 200)')
    const { handIn, work } = await handedIn(other, student, [point(0, -90), point(1920, 0)])
    const read = async () =>
      (await reviewer.get<HandInAnswer & { measureProblem: string | null }>(`/api/hand-ins/${handIn.id}`))
        .body
    for (let i = 0; i < 100 && (await read()).state === 'measuring'; i++)
      await new Promise((r) => setTimeout(r, 50))
    expect(await read()).toMatchObject({ state: 'waiting', measurement: null, measureProblem: 'audio' })
    expect(other.log.filter((l) => l.includes('measuring a hand-in failed'))).toHaveLength(3)
    // a student is told nothing of it, and it can be given back
    const mine = await student.get<Record<string, unknown>[]>(`/api/works/${work}/hand-ins`)
    expect(mine.body[0]).toMatchObject({ state: 'waiting', measureProblem: null })
    const queue = await reviewer.get<{ measureProblem: string }[]>(
      `/api/assignments/${other.assignment}/hand-ins`,
    )
    expect(queue.body[0]!.measureProblem).toBe('audio')
    // the recording is there again
    const [whole] = await world.database.query('SELECT data FROM asset_chunks LIMIT 1')
    await other.database.query('UPDATE asset_chunks SET data = ?', [(whole as { data: Buffer }).data])
    expect((await reviewer.post(`/api/hand-ins/${handIn.id}/measure`)).status).toBe(204)
    await other.services.measuring.settled()
    expect(await read()).toMatchObject({
      state: 'waiting',
      measureProblem: null,
      measurement: expect.anything(),
    })
    await other.close()
  })

  it('is taken up by whoever finds it, once nobody has it any more', async () => {
    const { handIn } = await handedIn(world, await world.as('ben'), [point(0, -90), point(1920, -3)])
    await world.database
      .getRepository(HandIn)
      .update(handIn.id, { measurement: null, assessment: null, state: 'measuring', measureAt: new Date(0) })
    await world.services.measuring.resume()
    await world.services.measuring.settled()
    const found = await world.database.getRepository(HandIn).findOneByOrFail({ id: handIn.id })
    expect([found.state, found.measureAt, found.measurement === null]).toEqual(['waiting', null, false])
  })

  it('keeps the figures of the newest brief, also where it is changed while it is being measured', async () => {
    const { handIn } = await handedIn(world, anna, [point(0, -90), point(1920, -1)])
    const repository = world.database.getRepository(HandIn)
    const { brief } = await repository.findOneByOrFail({ id: handIn.id })
    const { tasks, ...rest } = readKeptBrief(brief!)
    const changed = { ...rest, tasks: tasks.map((t, i) => (i ? t : { ...t, id: 'renamed' })) }
    const { measuring } = world.services
    const assess = measuring.assess.bind(measuring)
    // the figures of the old brief are found, and before they are kept there is a new one
    const measured = vi.spyOn(measuring, 'assess').mockImplementationOnce(async (...asked) => {
      const found = await assess(...asked)
      await repository.update(handIn.id, { brief: JSON.stringify(changed) })
      return found
    })
    await repository.update(handIn.id, { assessment: null })
    measuring.add(handIn.id)
    await measuring.settled()
    const now = await repository.findOneByOrFail({ id: handIn.id })
    expect(readAssessment(now.assessment!).tasks.map((t) => t.task)).toEqual(['renamed'])
    expect(measured).toHaveBeenCalledTimes(2)
    measured.mockRestore()
  })
})
