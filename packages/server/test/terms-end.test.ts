import { point } from '@rudlo/core/envelope'
import type { AssignmentCard } from '@rudlo/contract/assignments'
import type { GroupView, RosterAnswer } from '@rudlo/contract/people'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Membership } from '../src/people/entities'
import type { Client } from './client'
import { handedIn, openWork, saveOf } from './story'
import { makeWorld, type World } from './world'

let world: World
let teacher: Client
let anna: Client
let handIn: string

beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
  anna = await world.as('anna')
  handIn = (await handedIn(world, anna, [point(0, -90), point(1920, 0)])).handIn.id
  await teacher.call('PUT', `/api/hand-ins/${handIn}/review`, {
    marks: { fades: 1 },
    comment: 'Heard <b>well</b>.',
    revision: 0,
  })
})
afterAll(() => world.close())

const groupOf = async (id: string) => (await teacher.get<GroupView>(`/api/groups/${id}`)).body
const names = (group: GroupView) => group.students.map((s) => s.name)

describe('everything of a class in one file', () => {
  const files = async (sound: 'yes' | 'no') => {
    const response = await teacher.raw('GET', `/api/groups/${world.group}/archive.zip?sound=${sound}`)
    return unzipSync(new Uint8Array(await response.arrayBuffer()))
  }

  it('can be read without the application: pages, tables and mixdowns, each reached from the first page', async () => {
    const all = await files('yes')
    const index = strFromU8(all['index.html']!)
    for (const [, href] of index.matchAll(/href="([^"]+)"/g))
      expect(Object.keys(all), href).toContain(decodeURIComponent(href!))
    const page = strFromU8(all['students/Person anna/index.html']!)
    expect(page).toContain('Fade the reed in')
    // what somebody typed is text
    expect(page).toContain('Heard &#60;b&#62;well&#60;/b&#62;.')
    expect(page).not.toContain('<script')
    const [, source] = /<audio[^>]+src="([^"]+)"/.exec(page)!
    const sound = all[`students/Person anna/${decodeURIComponent(source!)}`]!
    expect(strFromU8(sound.subarray(0, 4))).toBe('RIFF')
    const samples = new Int16Array(sound.buffer, sound.byteOffset + 44, (sound.byteLength - 44) >> 1)
    expect(samples.some((s) => Math.abs(s) > 1000)).toBe(true)
    expect(strFromU8(all['marks.csv']!)).toContain('Person ben')
    expect(Object.keys(all)).toContain('oneroster/results.csv')
  })

  it('is small without the sound', async () => {
    const all = await files('no')
    expect(Object.keys(all).filter((name) => name.endsWith('.wav'))).toEqual([])
    expect(strFromU8(all['students/Person anna/index.html']!)).not.toContain('<audio')
  })
})

describe('a new term', () => {
  let next: string

  it('begins with the same students and with assignments as drafts, and ends the one before', async () => {
    await anna.call('PUT', '/api/term/sharing', { group: world.group, shares: true })
    const { status, body } = await teacher.post<{ id: string }>(`/api/groups/${world.group}/next-term`, {
      name: 'Spring',
      place: 'Room',
      students: true,
      assignments: [world.assignment, 'nothing'],
    })
    expect(status).toBe(200)
    next = body.id
    expect(names(await groupOf(next))).toEqual(['Person anna', 'Person ben'])
    const cards = (await teacher.get<AssignmentCard[]>('/api/assignments')).body
    expect(cards.find((c) => c.group === 'Spring')).toMatchObject({
      title: 'A fade',
      draft: true,
      dueAt: null,
    })
    expect((await groupOf(world.group)).endedAt).not.toBeNull()
    const again = { name: 'Summer', place: '', students: true, assignments: [] }
    expect((await teacher.post(`/api/groups/${world.group}/next-term`, again)).status).toBe(409)
  })

  it('leaves the term before to be looked at, and nothing of it is changed', async () => {
    const work = await openWork(world, anna)
    expect((await anna.get(`/api/hand-ins/${handIn}`)).status).toBe(200)
    const refused = [
      await anna.patch(`/api/works/${work.id}`, saveOf(work.revision, [])),
      await anna.post(`/api/works/${work.id}/hand-ins`, { revision: work.revision }),
      await teacher.post(`/api/hand-ins/${handIn}/give-back`, { outcome: 'accepted' }),
      await teacher.call('PUT', `/api/hand-ins/${handIn}/review`, { marks: {}, comment: '', revision: 1 }),
      await teacher.delete(`/api/assignments/${world.assignment}`),
    ]
    expect(refused.map((r) => r.status)).toEqual([409, 409, 409, 409, 409])
    const today = await teacher.get<{ groups: { name: string }[]; waiting: object[] }>('/api/today')
    expect(today.body.groups.map((g) => g.name)).toEqual(['Spring'])
    expect(today.body.waiting).toEqual([])
  })

  it.each([
    [
      'how marks are worked out',
      'PUT',
      'grades',
      () => ({ scheme: { scale: { kind: 'percent' } }, revision: 0 }),
    ],
    ['an overall mark', 'PUT', 'grades/:anna', () => ({ share: 1, reason: 'Late thought' })],
    ['notes', 'PUT', 'students/:anna/notes', () => ({ text: 'Late thought', revision: 0 })],
    ['small groups', 'POST', 'small-groups', () => ({ title: 'Fades', students: [world.anna] })],
    ['lists', 'POST', 'roster', () => ({ text: 'Name\nLate Comer', preview: false })],
    ['who is in it', 'POST', 'members', () => ({ person: world.ben })],
  ] as const)('leaves %s as it was, and says so', async (_, method, path, body) => {
    const at = `/api/groups/${world.group}/${path.replace(':anna', world.anna)}`
    const { status, body: said } = await teacher.call<{ error: { message: string } }>(method, at, body())
    expect([status, said.error.message]).toEqual([409, expect.stringMatching(/term .*(ended|over)/i)])
  })

  it('asks anew in the next term whether own work may be shown', async () => {
    const rows = await world.database.getRepository(Membership).findBy({ groupId: next, role: 'student' })
    expect(rows.map((m) => m.shares)).toEqual([false, false])
  })

  it('goes on again where it was ended by mistake', async () => {
    expect((await teacher.post(`/api/groups/${world.group}/reopen`)).status).toBe(204)
    const done = await teacher.post(`/api/hand-ins/${handIn}/give-back`, { outcome: 'accepted' })
    expect(done.status).toBe(204)
  })
})

describe('people who are known', () => {
  it('go to another class, or are in two, with everything that they made', async () => {
    const { body } = await teacher.post<{ id: string }>('/api/groups', { name: 'Second', place: '' })
    const move = (person: string, from?: string) =>
      teacher.post(`/api/groups/${body.id}/members`, { person, ...(from ? { from } : {}) })
    expect((await move(world.ben)).status).toBe(204)
    expect(names(await groupOf(body.id))).toEqual(['Person ben'])
    expect(names(await groupOf(world.group))).toContain('Person ben')
    await move(world.anna, world.group)
    expect(names(await groupOf(world.group))).not.toContain('Person anna')
    expect(await world.database.getRepository(Membership).countBy({ personId: world.anna })).toBe(2)
    const { body: all } = await teacher.get<{ name: string; groups: { name: string }[] }[]>('/api/students')
    expect(
      all
        .find((s) => s.name === 'Person ben')!
        .groups.map((g) => g.name)
        .sort(),
    ).toEqual(['Group', 'Second', 'Spring'])
    const stranger = await world.as('otherTeacher')
    expect((await stranger.post(`/api/groups/${body.id}/members`, { person: world.ben })).status).toBe(404)
  })

  it('are known in a list that is read again: what is new, changed and gone is shown before anything happens', async () => {
    const { body } = await teacher.post<{ id: string }>('/api/groups', { name: 'Third', place: '' })
    const take = (text: string, more: object = {}) =>
      teacher.post<RosterAnswer>(`/api/groups/${body.id}/roster`, { text, preview: false, ...more })
    await take('ID,Name\n1,Lia Moor\n2,Ken Abe')
    const second = 'ID,Name\n1,Lia Moor-Ode\n3,Zoe New\n9,Person ben'
    const looked = (await take(second, { preview: true })).body
    expect(looked.rows.map((r) => r.match.kind)).toEqual(['renamed', 'new', 'alike'])
    expect(looked.gone.map((g) => g.name)).toEqual(['Ken Abe'])
    expect(names(await groupOf(body.id))).toEqual(['Ken Abe', 'Lia Moor'])
    const done = await take(second, { same: [4], takeOut: looked.gone.map((g) => g.id) })
    expect(done.body.cards.map((c) => c.name)).toEqual(['Zoe New'])
    expect(names(await groupOf(body.id))).toEqual(['Lia Moor-Ode', 'Person ben', 'Zoe New'])
    // by the id of the school they are known from now on
    const third = (await take('ID,Name\n9,Benjamin', { preview: true })).body
    expect(third.rows[0]!.match).toMatchObject({ kind: 'renamed', before: 'Person ben' })
  })
})
