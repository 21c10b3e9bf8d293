import { randomUUID } from 'node:crypto'
import { point } from '@rudlo/core/envelope'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { type Client, type Refused } from './client'
import { openWork, saveOf } from './story'
import { makeWorld, type World } from './world'

let world: World
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
})
afterAll(() => world.close())

describe('a song', () => {
  it('is changed by its own teachers alone; others keep it as one of theirs', async () => {
    const other = await world.as('otherTeacher')
    const { body: mine } = await teacher.post<{ song: string }>('/api/songs', {
      document: { ...world.song, title: 'Mine' },
    })
    const changed = { document: { ...world.song, title: 'Changed' } }
    const refused = await other.put<Refused>(`/api/songs/${mine.song}`, changed)
    expect([refused.status, refused.body.error.code]).toEqual([403, 'not-yours'])
    const list = async (client: Client) =>
      (await client.get<{ song: string; mine: boolean }[]>('/api/songs')).body.find(
        (s) => s.song === mine.song,
      )
    expect([(await list(teacher))?.mine, (await list(other))?.mine]).toEqual([true, false])
    expect((await other.post('/api/songs', changed)).status).toBe(200)
    expect((await teacher.put(`/api/songs/${mine.song}`, changed)).status).toBe(200)
    // who teaches a class together with its maker may as well
    await teacher.post(`/api/groups/${world.group}/teachers`, { signIn: 'otherteacher' })
    expect(
      (await other.put(`/api/songs/${mine.song}`, { document: { ...world.song, title: 'Ours' } })).status,
    ).toBe(200)
    expect((await other.put(`/api/songs/${randomUUID()}`, changed)).status).toBe(404)
  })
})

describe('hints', () => {
  it('open after the tries that were asked for, counted here', async () => {
    const settings = (
      await teacher.get<{ settings: { revision: number }; brief: object }>(
        `/api/assignments/${world.assignment}`,
      )
    ).body
    await teacher.put(`/api/assignments/${world.assignment}`, {
      title: 'A fade',
      brief: { ...settings.brief, hintsAfter: 2 },
      modelHeard: 'never',
      opensAt: null,
      dueAt: null,
      handInLimit: null,
      revision: settings.settings.revision,
    })
    const ben = await world.as('ben')
    const { id } = await openWork(world, ben)
    const open = (level: number) =>
      ben.post<Refused & { text: string }>(`/api/works/${id}/hints`, { task: 'in', level })
    expect((await open(0)).body.error.message).toBe('Try it yourself first: hints open after 2 more tries.')
    await ben.post(`/api/works/${id}/asked`, { task: 'in' })
    expect((await open(0)).body.error.message).toMatch(/after 1 more try/)
    await ben.post(`/api/works/${id}/asked`, { task: 'in' })
    expect((await ben.get(`/api/works/${id}/asked`)).body).toEqual([{ task: 'in', tries: 2 }])
    expect((await open(0)).status).toBe(200)
    expect((await ben.post(`/api/works/${id}/asked`, { task: 'nothing' })).status).toBe(404)
  })
})

describe('what was done in a long lesson', () => {
  it('arrives in several saves, the later ones without a change', async () => {
    const client = await world.as('anna')
    const work = await openWork(world, client)
    const { commands } = saveOf(1, [])
    const many = Array.from({ length: 500 }, () => commands[0]!)
    let { revision } = work
    for (let i = 0; i < 10; i++) {
      const sent = { ...saveOf(revision, [point(i, -3)]), commands: many, ...(i ? { patch: [] } : {}) }
      const answer = await client.patch<{ revision: number }>(`/api/works/${work.id}`, sent)
      expect(answer.status).toBe(200)
      ;({ revision } = answer.body)
    }
    const [row]: { n: string }[] = await world.database.query(
      'SELECT COUNT(*) AS n FROM work_commands WHERE work_id = ? AND revision > ?',
      [work.id, work.revision],
    )
    expect([Number(row!.n), revision]).toEqual([5000, work.revision + 10])
  })
})
