import { point } from '@rudlo/core/envelope'
import type { RemovedView } from '@rudlo/contract/removed'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { KEPT_DAYS } from '../src/removed/service'
import type { Client } from './client'
import { handedIn, openWork, saveOf } from './story'
import { makeWorld, type World } from './world'

let world: World
let teacher: Client
let anna: Client
let work: string
let handIn: string

const DAY = 24 * 3_600_000
const removed = async (by = teacher) => (await by.get<RemovedView[]>('/api/removed')).body
const restore = (kind: string, id: string, by = teacher) => by.post('/api/removed', { kind, id })
const rowsIn = async (table: string) => {
  const [row]: { n: string }[] = await world.database.query(`SELECT COUNT(*) AS n FROM ${table}`)
  return Number(row!.n)
}
/** As if it had been removed so many days ago. */
const days = (table: string, n: number) =>
  world.database.query(`UPDATE ${table} SET removed_at = ? WHERE removed_at IS NOT NULL`, [
    new Date(Date.now() - n * DAY),
  ])

beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
  anna = await world.as('anna')
  const made = await handedIn(world, anna, [point(0, -90), point(1920, 0)])
  work = made.work
  handIn = made.handIn.id
  await teacher.post(`/api/hand-ins/${handIn}/remarks`, { lane: null, from: 0, to: 960, text: 'Listen.' })
})
afterAll(() => world.close())

describe('an assignment that is removed', () => {
  it('says beforehand what hangs on it', async () => {
    const { body } = await teacher.get(`/api/assignments/${world.assignment}/hanging`)
    expect(body).toEqual({ students: 2, assignments: 1, works: 1, handIns: 1, remarks: 1 })
  })

  it('is nowhere any more, for nobody, by no way', async () => {
    expect((await teacher.delete(`/api/assignments/${world.assignment}`)).status).toBe(204)
    for (const client of [teacher, anna]) {
      expect((await client.get<object[]>('/api/assignments')).body).toEqual([])
      expect((await client.get(`/api/assignments/${world.assignment}`)).status).toBe(404)
      expect((await client.get(`/api/hand-ins/${handIn}`)).status).toBe(404)
    }
    expect((await anna.get(`/api/works/${work}`)).status).toBe(404)
    expect((await anna.patch(`/api/works/${work}`, saveOf(2, []))).status).toBe(404)
    expect((await anna.get(`/api/assets/${world.song.assets[0]!.id}`)).status).toBe(404)
    const { body } = await teacher.get<{ assignments: object[] }>(`/api/groups/${world.group}/term`)
    expect(body.assignments).toEqual([])
  })

  it('can be had back for thirty days by its teachers, as it was', async () => {
    const [found] = await removed()
    expect(found).toMatchObject({ kind: 'assignment', id: world.assignment, title: 'A fade' })
    expect(Date.parse(found!.until) - Date.parse(found!.removedAt)).toBe(KEPT_DAYS * DAY)
    const other = await world.as('otherTeacher')
    expect(await removed(other)).toEqual([])
    expect((await restore('assignment', world.assignment, other)).status).toBe(404)
    await days('assignments', KEPT_DAYS - 1)
    await world.services.removal.sweep()
    expect((await restore('assignment', world.assignment)).status).toBe(204)
    expect(await removed()).toEqual([])
    expect((await anna.get(`/api/hand-ins/${handIn}`)).status).toBe(200)
    expect((await openWork(world, anna)).id).toBe(work)
  })
})

describe('a class that is removed', () => {
  it('has nobody in it while it is away, and everybody again after that', async () => {
    await teacher.delete(`/api/groups/${world.group}`)
    expect((await teacher.get<object[]>('/api/groups')).body).toEqual([])
    expect((await anna.get<object[]>('/api/assignments')).body).toEqual([])
    expect((await removed())[0]).toMatchObject({ kind: 'class', id: world.group })
    await restore('class', world.group)
    const { body } = await teacher.get<{ students: object[]; teachers: object[] }>(
      `/api/groups/${world.group}`,
    )
    expect([body.students.length, body.teachers.length]).toEqual([2, 1])
    expect((await anna.get<object[]>('/api/assignments')).body).toHaveLength(1)
  })
})

describe('a song that is removed', () => {
  it('must not be used', async () => {
    const song = (await teacher.get<{ song: string; title: string }[]>('/api/songs')).body[0]!
    const { status, body } = await teacher.delete<{ error: { message: string } }>(`/api/songs/${song.song}`)
    expect(status).toBe(409)
    expect(body.error.message).toContain('A fade')
    const { body: made } = await teacher.post<{ song: string }>('/api/songs', {
      document: { ...world.song, title: 'Unused' },
    })
    expect((await teacher.delete(`/api/songs/${made.song}`)).status).toBe(204)
    expect((await teacher.get<object[]>('/api/songs')).body).toHaveLength(1)
    await restore('song', made.song)
    expect((await teacher.get<object[]>('/api/songs')).body).toHaveLength(2)
    await teacher.delete(`/api/songs/${made.song}`)
    await days('songs', KEPT_DAYS + 1)
    expect(await world.services.removal.sweep()).toBe(1)
    expect(await rowsIn('songs')).toBe(1)
  })
})

describe('after thirty days', () => {
  it('a class goes with everything that hangs on it, and its people stay', async () => {
    const before = await rowsIn('people')
    await teacher.delete(`/api/groups/${world.group}`)
    await days('class_groups', KEPT_DAYS + 1)
    expect(await world.services.removal.sweep()).toBe(1)
    for (const table of ['assignments', 'works', 'hand_ins', 'hand_in_figures', 'remarks', 'work_commands'])
      expect(await rowsIn(table), table).toBe(0)
    expect(await rowsIn('people')).toBe(before)
    expect(await removed()).toEqual([])
  })
})
