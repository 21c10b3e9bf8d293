import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Assignment } from '../src/assignments/entities'
import { Group, Membership, Person } from '../src/people/entities'
import type { Client } from './client'
import { BRIEF, makeWorld, type World } from './world'

interface Refused {
  readonly error: { readonly message: string }
}
interface Listed {
  readonly group: string
  readonly name: string
  readonly students: number
  readonly assignment: string | null
}

let world: World
let teacher: Client
let cleo: Client
let empty: string
let second: string
beforeAll(async () => {
  world = await makeWorld()
  ;[teacher, cleo] = await Promise.all([world.as('teacher'), world.as('cleo')])
  const mine = await world.database.getRepository(Person).findOneByOrFail({ signIn: 'teacher' })
  const cleoId = (await world.database.getRepository(Person).findOneByOrFail({ signIn: 'cleo' })).id
  const made = async (name: string, students: string[]) => {
    const id = randomUUID()
    await world.database
      .getRepository(Group)
      .insert({ id, name, place: '', joinCode: randomUUID().slice(0, 8), createdAt: new Date() } as never)
    const memberships = world.database.getRepository(Membership)
    await memberships.insert({ groupId: id, personId: mine.id, role: 'teacher' })
    for (const personId of students) await memberships.insert({ groupId: id, personId, role: 'student' })
    return id
  }
  empty = await made('Nobody yet', [])
  second = await made('Second group', [cleoId])
})
afterAll(() => world.close())

const path = () => `/api/assignments/${world.assignment}`
const groups = async () => (await teacher.get<Listed[]>(`${path()}/groups`)).body
const give = (wanted: object[]) =>
  teacher.post<Refused & { count: number }>(`${path()}/groups`, { groups: wanted })
const count = () => world.database.getRepository(Assignment).count()

describe('one assignment for several groups', () => {
  it.each([
    [
      'a group without students',
      () => [
        { group: second, dueAt: null },
        { group: empty, dueAt: null },
      ],
      /no students/,
    ],
    ['no group', () => [], /at least one class/],
    [
      'a group twice',
      () => [
        { group: second, dueAt: null },
        { group: second, dueAt: null },
      ],
      /once/,
    ],
    ['a date that is none', () => [{ group: second, dueAt: 'soon' }], /due date cannot be read/],
  ])('is refused for %s, and then no group gets it', async (_, wanted, problem) => {
    const before = await count()
    const { status, body } = await give(wanted())
    expect([status, body.error.message]).toEqual([400, expect.stringMatching(problem)])
    expect(await count()).toBe(before)
  })

  it('is refused for a group of somebody else', async () => {
    const others = await world.database.getRepository(Group).find()
    const known = (await groups()).map((g) => g.group)
    const foreign = others.find((g) => !known.includes(g.id))!
    expect((await give([{ group: foreign.id, dueAt: null }])).status).toBe(404)
  })

  it('is given with a date of its own, and its students have it', async () => {
    const due = '2031-05-06T07:00:00.000Z'
    expect((await give([{ group: second, dueAt: due }])).body.count).toBe(1)
    const listed = await groups()
    expect(listed.map((g) => [g.name, g.students, g.assignment !== null])).toContainEqual([
      'Second group',
      1,
      true,
    ])
    const { assignment } = listed.find((g) => g.group === second)!
    const { body } = await cleo.get<{ title: string; dueAt: string }>(`/api/assignments/${assignment}`)
    expect([body.title, body.dueAt]).toEqual(['A fade', due])
    const again = await give([{ group: second, dueAt: null }])
    expect([again.status, again.body.error.message]).toEqual([
      409,
      'Second group has this assignment already.',
    ])
  })

  it('is changed for all of them or for one, and each keeps its dates', async () => {
    const other = (await groups()).find((g) => g.group === second)!.assignment!
    const read = async (id: string) =>
      (
        await teacher.get<{ title: string; dueAt: string | null; settings: { revision: number } }>(
          `/api/assignments/${id}`,
        )
      ).body
    const change = async (title: string, everywhere: boolean) => {
      const { revision } = (await read(world.assignment)).settings
      const body = { title, brief: BRIEF, modelHeard: 'never', opensAt: null, dueAt: null, handInLimit: 2 }
      return teacher.call<{ others: number }>('PUT', path(), { ...body, revision, everywhere })
    }
    expect((await change('For us alone', false)).body.others).toBe(0)
    expect((await read(other)).title).toBe('A fade')
    const { revision } = (await read(other)).settings
    expect((await change('For everybody', true)).body.others).toBe(1)
    const now = await read(other)
    expect([now.title, now.dueAt, now.settings.revision]).toEqual([
      'For everybody',
      '2031-05-06T07:00:00.000Z',
      revision + 1,
    ])
  })

  it('is refused where it would be due before it opens', async () => {
    await world.database.getRepository(Assignment).update({ groupId: second }, { groupId: empty })
    await world.database
      .getRepository(Assignment)
      .update({ id: world.assignment }, { opensAt: new Date('2032-01-01T00:00:00Z') })
    const early = await give([{ group: second, dueAt: '2031-01-01T00:00:00Z' }])
    expect([early.status, early.body.error.message]).toEqual([
      400,
      'For Second group the due date is before the opening date.',
    ])
  })
})
