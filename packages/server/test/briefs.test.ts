import type { Assessment, Brief, JudgedTask } from '@rudlo/core/brief'
import type { AssignmentView } from '@rudlo/contract/assignments'
import { point } from '@rudlo/core/envelope'
import { withPoints, type Mix } from '@rudlo/core/mix'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Membership } from '../src/people/entities'
import type { Client } from './client'
import { handedIn, saveOf } from './story'
import { BRIEF, makeWorld, REED, type World } from './world'

let world: World
let teacher: Client
let anna: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
  anna = await world.as('anna')
})
afterAll(() => world.close())

const fadedIn = (mix: Mix) => withPoints(mix, REED, [point(0, -90), point(1920, 0)], () => 'line')
const settings = { title: 'A fade', modelHeard: 'given back', opensAt: null, dueAt: null, handInLimit: null }
const whole = () => ({
  ...settings,
  brief: BRIEF,
  group: world.group,
  songVersion: world.songVersion,
  startingMix: world.mix,
})
interface Refused {
  readonly error: { readonly message: string }
}

async function revision(): Promise<number> {
  const { body } = await teacher.get<{ settings: { revision: number } }>(
    `/api/assignments/${world.assignment}`,
  )
  return body.settings.revision
}

describe('writing an assignment', () => {
  it('gives a group a draft that students do not see, until it opens', async () => {
    const made = await teacher.post<{ id: string }>('/api/assignments', {
      ...whole(),
      opensAt: '2999-01-01T00:00:00.000Z',
    })
    expect(made.status).toBe(200)
    const listed = async (who: Client) =>
      (await who.get<{ id: string }[]>('/api/assignments')).body.some((a) => a.id === made.body.id)
    expect([await listed(teacher), await listed(anna)]).toEqual([true, false])
    expect((await anna.get(`/api/assignments/${made.body.id}`)).status).toBe(404)
    const opened = await teacher.call('PUT', `/api/assignments/${made.body.id}`, {
      ...settings,
      brief: BRIEF,
      revision: 1,
    })
    expect(opened.status).toBe(200)
    expect(await listed(anna)).toBe(true)
  })

  it('keeps a draft a draft where a change says nothing of it, and shows it when it is said', async () => {
    const made = await teacher.post<{ id: string }>('/api/assignments', { ...whole(), draft: true })
    const seen = async () => (await anna.get(`/api/assignments/${made.body.id}`)).status
    const change = (revision: number, said: { draft?: boolean }) =>
      teacher.call('PUT', `/api/assignments/${made.body.id}`, {
        ...settings,
        brief: BRIEF,
        revision,
        ...said,
      })
    expect(await seen()).toBe(404)
    expect((await change(1, {})).status).toBe(200)
    expect(await seen()).toBe(404)
    expect((await change(2, { draft: false })).status).toBe(200)
    expect(await seen()).toBe(200)
  })

  it('keeps a draft whatever its dates say, and gives it out only where they make sense', async () => {
    const opensAt = new Date(Date.now() + 2 * 86_400_000).toISOString()
    const dueAt = new Date(Date.now() + 86_400_000).toISOString()
    const made = await teacher.post<{ id: string }>('/api/assignments', { ...whole(), draft: true })
    const at = `/api/assignments/${made.body.id}`
    const change = (draft: boolean) =>
      teacher.call<Refused>('PUT', at, { ...settings, brief: BRIEF, opensAt, dueAt, draft, revision: 1 })
    const refused = await change(false)
    expect([refused.status, refused.body.error.message]).toEqual([
      400,
      'The due date is before the opening date.',
    ])
    expect((await change(true)).status).toBe(200)
    expect((await teacher.get<AssignmentView>(at)).body.dueAt).toBe(dueAt)
    await teacher.delete(at)
  })

  it.each([
    ['no tasks', { brief: { ...BRIEF, tasks: [] } }, /at least one task/],
    ['a lane that the song does not have', { brief: { ...BRIEF, open: ['track/kazoo/level'] } }, /no lane/],
    [
      'a check outside the song',
      {
        brief: {
          ...BRIEF,
          tasks: [
            {
              ...BRIEF.tasks[0]!,
              checks: [{ id: 'x', kind: 'silence', values: { track: 'reed', from: 9e6, level: -90 } }],
            },
          ],
        },
      },
      /outside the song/,
    ],
    [
      'due before it opens',
      { opensAt: '2030-01-02T00:00:00Z', dueAt: '2030-01-01T00:00:00Z' },
      /due date is before/,
    ],
    ['a date that is none', { dueAt: 'next Thursday' }, /due date cannot be read/],
    ['no title', { title: '   ' }, /title/],
    ['a mix that is none', { startingMix: { format: 'soup' } }, /mix/i],
    ['hand-ins by halves', { handInLimit: 0.5 }, /whole number/],
  ])('with %s is refused with one sentence, and nothing is kept', async (_, change, problem) => {
    const count = async () => (await teacher.get<unknown[]>('/api/assignments')).body.length
    const before = await count()
    const { status, body } = await teacher.post<Refused>('/api/assignments', { ...whole(), ...change })
    expect(status).toBe(400)
    expect(body.error.message).toMatch(problem)
    expect(await count()).toBe(before)
  })

  it('to an empty group is refused, and to a group of somebody else', async () => {
    await world.database.getRepository(Membership).delete({ groupId: world.group, role: 'student' })
    const empty = await teacher.post<Refused>('/api/assignments', whole())
    expect([empty.status, empty.body.error.message]).toEqual([400, expect.stringMatching(/no students yet/)])
    for (const id of [world.anna, world.ben])
      await world.database
        .getRepository(Membership)
        .insert({ groupId: world.group, personId: id, role: 'student' })
    expect((await (await world.as('otherTeacher')).post('/api/assignments', whole())).status).toBe(404)
  })

  it('twice at once is told, and nothing is overwritten', async () => {
    const from = await revision()
    const change = (title: string) =>
      teacher.call<Refused>('PUT', `/api/assignments/${world.assignment}`, {
        ...settings,
        title,
        brief: BRIEF,
        revision: from,
      })
    const both = await Promise.all([change('One'), change('Two')])
    expect(both.map((b) => b.status).sort()).toEqual([200, 409])
    expect(await revision()).toBe(from + 1)
  })

  it('shows a script as the text that it is', async () => {
    const brief: Brief = { ...BRIEF, tasks: [{ ...BRIEF.tasks[0]!, text: '<script>alert(1)</script>' }] }
    const change = { ...settings, brief, revision: await revision() }
    expect((await teacher.call('PUT', `/api/assignments/${world.assignment}`, change)).status).toBe(200)
    const { body } = await anna.get<{ brief: Brief }>(`/api/assignments/${world.assignment}`)
    expect(body.brief.tasks[0]!.text).toBe('<script>alert(1)</script>')
  })
})

describe('what a student gets of a brief', () => {
  it('never has the hints, nor checks that answer after handing in only, nor the model before it is allowed', async () => {
    const secret = { ...BRIEF, answers: 'handed in' as const }
    const path = `/api/assignments/${world.assignment}`
    await teacher.call('PUT', path, {
      ...settings,
      modelHeard: 'handed in',
      brief: secret,
      revision: await revision(),
    })
    await teacher.call('PUT', `${path}/model`, { mix: fadedIn(world.mix) })
    const seen = JSON.stringify((await anna.get(path)).body)
    for (const given of [
      'Listen to the first moment',
      'It takes one bar',
      'fade in"',
      '"model"',
      'modelHeard',
    ])
      expect(seen).not.toContain(given)
    expect((await anna.get(`${path}/model`)).status).toBe(404)
    await handedIn(world, anna, [point(0, -90), point(1920, 0)])
    expect((await anna.get(`${path}/model`)).status).toBe(200)
    expect((await (await world.as('ben')).get(`${path}/model`)).status).toBe(404)
  })

  it('opens hints one after the other, and both sides see which', async () => {
    const work = (await anna.post<{ id: string }>(`/api/assignments/${world.assignment}/work`)).body.id
    const open = (level: number) =>
      anna.post<{ text: string }>(`/api/works/${work}/hints`, { task: 'in', level })
    expect((await open(1)).status).toBe(409)
    expect((await open(0)).body.text).toBe(BRIEF.tasks[0]!.hints[0])
    expect((await open(1)).body.text).toBe(BRIEF.tasks[0]!.hints[1])
    expect((await anna.post(`/api/works/${work}/hints`, { task: 'none', level: 0 })).status).toBe(404)
    expect((await anna.get(`/api/works/${work}/hints`)).body).toEqual([
      { task: 'in', level: 0 },
      { task: 'in', level: 1 },
    ])
  })

  it('may be another one, with more time', async () => {
    const simple = { ...BRIEF, tasks: [{ ...BRIEF.tasks[0]!, title: 'Only this' }] }
    const path = `/api/assignments/${world.assignment}`
    await teacher.call('PUT', `${path}/exceptions/${world.ben}`, {
      dueAt: '2031-05-05T10:00:00Z',
      brief: simple,
    })
    const of = async (who: Client) => (await who.get<{ brief: Brief; dueAt: string | null }>(path)).body
    const ben = await of(await world.as('ben'))
    expect([ben.brief.tasks[0]!.title, ben.dueAt]).toEqual(['Only this', '2031-05-05T10:00:00.000Z'])
    expect((await of(anna)).brief.tasks[0]!.title).not.toBe('Only this')
    await teacher.call('PUT', `${path}/exceptions/${world.ben}`, { dueAt: null, brief: null })
    expect((await of(await world.as('ben'))).dueAt).toBeNull()
  })
})

describe('a hand-in', () => {
  it('is judged by its own brief, keeps what its student said, and is judged anew only on purpose', async () => {
    const path = `/api/assignments/${world.assignment}`
    await teacher.call('PUT', path, { ...settings, brief: BRIEF, revision: await revision() })
    const ben = await world.as('ben')
    const { handIn } = await handedIn(world, ben, [point(0, -90), point(1920, 0)], {
      said: ' A gentle start. ',
    })
    const seen = async () =>
      (await teacher.get<{ assessment: Assessment; said: string }>(`/api/hand-ins/${handIn.id}`)).body
    await world.services.measuring.settled()
    expect(await seen()).toMatchObject({
      said: 'A gentle start.',
      assessment: { tasks: [{ task: 'in', verdict: 'met' }] },
    })
    const stricter = {
      ...BRIEF.tasks[0]!,
      checks: [
        { id: 'in-1', kind: 'fade in', values: { lane: REED, from: 1920, to: 5760, beats: 0.5, even: 10 } },
      ],
    }
    await teacher.call('PUT', path, {
      ...settings,
      brief: { ...BRIEF, tasks: [stricter] },
      revision: await revision(),
    })
    expect((await seen()).assessment.tasks[0]!.verdict).toBe('met')
    expect((await teacher.post<{ count: number }>(`${path}/remeasure`)).body.count).toBeGreaterThan(0)
    await world.services.measuring.settled()
    expect((await seen()).assessment.tasks[0]!.verdict).toBe('not yet')
  })

  it('is refused after the last one that is allowed', async () => {
    const path = `/api/assignments/${world.assignment}`
    await teacher.call('PUT', path, { ...settings, handInLimit: 1, brief: BRIEF, revision: await revision() })
    const ben = await world.as('ben')
    const work = (await ben.post<{ id: string; revision: number }>(`${path}/work`)).body
    await ben.patch(`/api/works/${work.id}`, saveOf(work.revision, [point(0, -90), point(1000, 0)]))
    const again = await ben.post<Refused>(`/api/works/${work.id}/hand-ins`, { revision: work.revision + 1 })
    expect([again.status, again.body.error.message]).toEqual([409, expect.stringMatching(/once/)])
  })
})

it('tries a brief out against the starting mix, the model and what was handed in', async () => {
  const { body } = await teacher.post<{
    start: JudgedTask[]
    model: JudgedTask[]
    handIns: { student: string }[]
  }>(`/api/assignments/${world.assignment}/trial`, { brief: BRIEF })
  expect(body.start[0]!.verdict).toBe('not yet')
  expect(body.model[0]!.verdict).toBe('met')
  expect(body.handIns.length).toBeGreaterThan(0)
})

it('gives marks and checks as tables that a spreadsheet opens without harm', async () => {
  const of = async (query: string) => {
    const { status, bytes, headers } = await teacher.call(
      'GET',
      `/api/assignments/${world.assignment}/marks.csv${query}`,
    )
    return {
      status,
      type: headers.get('content-type'),
      lines: new TextDecoder().decode(bytes).trim().split('\r\n'),
    }
  }
  const students = await of('')
  expect([students.status, students.type]).toEqual([200, 'text/csv; charset=utf-8'])
  expect(students.lines[0]).toContain(
    'Student,Version,Handed in,Due,State,Tasks met,Fades,Fades (number),Comment',
  )
  expect(students.lines.slice(1).map((l) => l.split(',')[0])).toEqual(['Person anna', 'Person ben'])
  const checks = await of('?table=checks')
  expect(checks.lines[1]).toMatch(/^Person anna,\d,Fade the reed in,Fade in,/)
  expect((await of('?table=shoes')).status).toBe(400)
})
