import { randomUUID } from 'node:crypto'
import type { Save } from '@rudlo/contract/works'
import { point } from '@rudlo/core/envelope'
import type { WorkDocument } from '@rudlo/core/mix'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { Session } from '../src/access/entities'
import { workNow } from '../src/works/documents'
import { Work, WorkCommand, WorkPatch } from '../src/works/entities'
import { Person } from '../src/people/entities'
import { SaveLine } from '../src/works/save-line'
import type { Saving } from '../src/works/write-saves'
import { Works } from '../src/works/service'
import type { Client, Refused } from './client'
import { openWork, saveOf, type WorkAnswer } from './story'
import { makeWorld, type World } from './world'

let world: World
let [anna, ben]: Client[] = []
let works: Record<'anna' | 'ben', WorkAnswer>
/** What the session of a person is called in the database. */
const sessions = new Map<string, string>()
beforeAll(async () => {
  world = await makeWorld()
  anna = await world.as('anna')
  ben = await world.as('ben')
  works = { anna: await openWork(world, anna), ben: await openWork(world, ben) }
  for (const { personId, tokenHash } of await world.database.getRepository(Session).find())
    sessions.set(personId, tokenHash)
})
afterAll(() => world.close())

const POINTS = '/mix/envelopes/0/points'
/** A save of one point of the first line. */
const onePoint = (revision: number, index: number, value: number) => ({
  ...(saveOf(revision, []) as Save),
  patch: [{ op: 'replace', path: `${POINTS}/${index}/value`, value }],
})
const levels = ({ mix }: WorkDocument) => mix.envelopes[0]!.points.map((p) => p.value)

describe('saves of a work', () => {
  it('are kept as what changed, written off as a whole from time to time, and read as one document at every moment', async () => {
    const { id } = works.anna
    const line = Array.from({ length: 8 }, (_, i) => point(i * 960, -1))
    let { revision } = (
      await anna!.patch<{ revision: number }>(`/api/works/${id}`, saveOf(works.anna.revision, line))
    ).body
    const known = line.map((p) => p.value)
    const kept = new Set<number>()
    for (let n = 0; n < 150; n++) {
      const value = -((n % 100) + 1) / 2
      known[n % 8] = value
      const saved = await anna!.patch<{ revision: number }>(
        `/api/works/${id}`,
        onePoint(revision, n % 8, value),
      )
      expect(saved.status).toBe(200)
      revision = saved.body.revision
      const now = await workNow(world.database, id)
      expect([now.revision, levels(now.document)]).toEqual([revision, known])
      kept.add(await world.database.getRepository(WorkPatch).countBy({ workId: id }))
    }
    // never more than a hundred and twenty, and none right after the whole was written
    expect(Math.max(...kept)).toBeLessThanOrEqual(120)
    expect(kept.has(0)).toBe(true)
  })

  it('are taken up by another server where this one left off, and a stale one there changes nothing', async () => {
    const { id } = works.anna
    const there = new Works(world.database, world.services.songs, world.services.sessions)
    const person = await world.database.getRepository(Person).findOneByOrFail({ id: world.anna })
    const before = await workNow(world.database, id)
    const from = { person, session: sessions.get(person.id)! }
    const saved = await there.save(from, id, onePoint(before.revision, 0, -40))
    const late = await anna!.patch<Refused>(`/api/works/${id}`, onePoint(before.revision, 0, -50))
    expect(late.status).toBe(409)
    expect(late.body.error.newest).toMatchObject({ revision: saved.revision })
    const here = await anna!.patch<{ revision: number }>(`/api/works/${id}`, onePoint(saved.revision, 1, -41))
    expect(here.status).toBe(200)
    expect(levels((await workNow(world.database, id)).document).slice(0, 2)).toEqual([-40, -41])
  })
})

describe('a save of somebody who was signed in a moment ago', () => {
  const database = () => world.database.getRepository(Session)

  it.each([
    ['ended by another server', (id: string) => database().delete({ tokenHash: id })],
    [
      'over',
      (id: string) => database().update({ tokenHash: id }, { expiresAt: new Date(Date.now() - 1000) }),
    ],
  ])('is refused where the session is %s, and nothing is written', async (_, end) => {
    const { id } = works.ben
    const path = `/api/works/${id}`
    const name = sessions.get(world.ben)!
    const before = await database().findOneByOrFail({ tokenHash: name })
    const { revision } = await workNow(world.database, id)
    const saved = await ben!.patch<{ revision: number }>(path, saveOf(revision, [point(0, -3)]))
    expect(saved.status).toBe(200)
    await end(name)
    const late = await ben!.patch(path, saveOf(saved.body.revision, [point(0, -9)]))
    expect(late.status).toBe(401)
    expect((await workNow(world.database, id)).revision).toBe(saved.body.revision)
    // and goes on once they are signed in again
    await database().save(before)
    expect((await ben!.patch(path, saveOf(saved.body.revision, [point(0, -9)]))).status).toBe(200)
  })
})

describe('saves that come together', () => {
  const saving = (of: Partial<Saving> & Pick<Saving, 'work' | 'person' | 'before'>): Saving => ({
    save: randomUUID(),
    session: sessions.get(of.person)!,
    change: { patch: '[]' },
    commands: [[of.work, of.before + 1, 0, 'Drew', '[]', 0, 1, 'hand', new Date()]],
    ...of,
  })
  const revisionOf = async (work: string) => (await workNow(world.database, work)).revision

  it('are written each by itself where one of them cannot be: it alone is told', async () => {
    const line = new SaveLine(world.database)
    const [a, b] = [works.anna.id, works.ben.id]
    const [ofAnna, ofBen] = [await revisionOf(a), await revisionOf(b)]
    const answers = await Promise.allSettled([
      line.write(saving({ work: a, person: world.anna, before: ofAnna })),
      // the same again, too late; then one of somebody else's work; then one that the database refuses
      line.write(saving({ work: a, person: world.anna, before: ofAnna })),
      line.write(saving({ work: a, person: world.ben, before: ofAnna + 1 })),
      line.write(saving({ work: b, person: world.ben, before: ofBen, save: 'x'.repeat(50) })),
      line.write(saving({ work: b, person: world.ben, before: ofBen })),
    ])
    expect(answers.map((a) => (a.status === 'fulfilled' ? a.value : 'refused'))).toEqual([
      true,
      false,
      false,
      'refused',
      true,
    ])
    expect([await revisionOf(a), await revisionOf(b)]).toEqual([ofAnna + 1, ofBen + 1])
    const commands = world.database.getRepository(WorkCommand)
    expect(await commands.countBy({ workId: b, revision: ofBen + 1 })).toBe(1)
  })

  it('are written without those of whoever is signed in no more', async () => {
    const line = new SaveLine(world.database)
    const [a, b] = [works.anna.id, works.ben.id]
    const [ofAnna, ofBen] = [await revisionOf(a), await revisionOf(b)]
    const answers = await Promise.all([
      line.write(saving({ work: a, person: world.anna, before: ofAnna })),
      line.write(saving({ work: a, person: world.anna, before: ofAnna + 1, session: '0'.repeat(64) })),
      line.write(saving({ work: b, person: world.ben, before: ofBen })),
    ])
    expect(answers).toEqual([true, false, true])
    expect([await revisionOf(a), await revisionOf(b)]).toEqual([ofAnna + 1, ofBen + 1])
  })

  it('share a transaction', async () => {
    const line = new SaveLine(world.database)
    const before = { anna: await revisionOf(works.anna.id), ben: await revisionOf(works.ben.id) }
    const statements = vi.spyOn(world.database, 'query')
    // the first is written at once; the two that come meanwhile go together
    const all = [
      line.write(saving({ work: works.anna.id, person: world.anna, before: before.anna })),
      line.write(saving({ work: works.anna.id, person: world.anna, before: before.anna + 1 })),
      line.write(saving({ work: works.ben.id, person: world.ben, before: before.ben })),
    ]
    expect(await Promise.all(all)).toEqual([true, true, true])
    expect(statements.mock.calls.filter(([sql]) => sql.includes('START TRANSACTION'))).toHaveLength(2)
    statements.mockRestore()
  })

  it('keep their order for each work, and none of them gets lost', async () => {
    const line = new SaveLine(world.database)
    const begin = { anna: await revisionOf(works.anna.id), ben: await revisionOf(works.ben.id) }
    const all = Array.from({ length: 30 }, (_, n) =>
      (['anna', 'ben'] as const).map((name) =>
        line.write(saving({ work: works[name].id, person: world[name], before: begin[name] + n })),
      ),
    ).flat()
    expect(new Set(await Promise.all(all))).toEqual(new Set([true]))
    expect([await revisionOf(works.anna.id), await revisionOf(works.ben.id)]).toEqual([
      begin.anna + 30,
      begin.ben + 30,
    ])
  })

  it('wait for whoever has a work locked by themselves: nobody waits along', async () => {
    const line = new SaveLine(world.database)
    const before = { anna: await revisionOf(works.anna.id), ben: await revisionOf(works.ben.id) }
    let release: () => void = () => undefined
    const held = new Promise<void>((resolve) => (release = resolve))
    let locked: () => void = () => undefined
    const isLocked = new Promise<void>((resolve) => (locked = resolve))
    const lock = { mode: 'pessimistic_write' } as const
    const handingIn = world.database.transaction(async (manager) => {
      await manager.findOneOrFail(Work, { where: { id: works.anna.id }, lock })
      locked()
      await held
    })
    await isLocked
    let isWritten = false
    const late = line.write(saving({ work: works.anna.id, person: world.anna, before: before.anna }))
    void late.then(() => (isWritten = true))
    for (let n = 0; n < 5; n++)
      expect(
        await line.write(saving({ work: works.ben.id, person: world.ben, before: before.ben + n })),
      ).toBe(true)
    expect(isWritten).toBe(false)
    release()
    await handingIn
    expect(await late).toBe(true)
  })
})
