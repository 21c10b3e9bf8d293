import { point } from '@rudlo/core/envelope'
import { usualRemarks } from '@rudlo/core/remarks'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Client, Refused } from './client'
import { handedIn, openWork, saveOf, type HandInAnswer } from './story'
import { makeWorld, REED, RUBRIC, type World } from './world'

const FADE = [point(0, -90), point(1920, -6)]
const OTHER = [point(0, -90), point(960, -3)]

interface Queued {
  readonly id: string
  readonly student: string
  readonly state: string
  readonly newest: boolean
  readonly seenAt: string | null
  readonly sameAs: string[]
}
interface RemarkAnswer {
  readonly id: string
  readonly revision: number
  readonly done: boolean
  readonly replies: { author: string; text: string }[]
  readonly suggestion: unknown
  readonly lane: string | null
}

let world: World
let anna: Client
let ben: Client
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  ;[anna, ben, teacher] = await Promise.all([world.as('anna'), world.as('ben'), world.as('teacher')])
})
afterAll(() => world.close())

const queue = async () => (await teacher.get<Queued[]>(`/api/assignments/${world.assignment}/hand-ins`)).body
const remark = (id: string, body: object) =>
  teacher.post<RemarkAnswer & Refused>(`/api/hand-ins/${id}/remarks`, {
    lane: REED,
    from: 0,
    to: 960,
    text: 'Listen.',
    ...body,
  })

describe('two hand-ins', () => {
  let first: HandInAnswer
  let second: HandInAnswer
  let work: string

  beforeAll(async () => {
    ;({ handIn: first, work } = await handedIn(world, anna, FADE))
    ;({ handIn: second } = await handedIn(world, ben, FADE))
  })

  it('with the same lines are flagged to the teacher', async () => {
    const entries = await queue()
    expect(entries.map((q) => q.sameAs)).toEqual([['Person ben'], ['Person anna']])
  })

  it('are new until a teacher has looked', async () => {
    expect((await queue()).map((q) => q.seenAt)).toEqual([null, null])
    await teacher.post(`/api/hand-ins/${first.id}/look`)
    expect((await queue()).map((q) => q.seenAt !== null)).toEqual([true, false])
  })

  it('give everyone’s line of a lane, and nothing under a lane that is not there', async () => {
    const lines = (lane: string) =>
      teacher.get<{ student: string; points: unknown }[]>(
        `/api/assignments/${world.assignment}/lines?lane=${encodeURIComponent(lane)}`,
      )
    expect((await lines(REED)).body).toMatchObject([
      { student: 'Person anna', points: FADE },
      { student: 'Person ben', points: FADE },
    ])
    expect((await lines('track/none/level')).status).toBe(404)
    expect((await lines('')).status).toBe(404)
  })

  it('take the same remark at once, or not at all', async () => {
    const body = { lane: null, from: 0, to: 960, text: 'Well placed, both.' }
    const handIns = [first.id, second.id]
    expect((await teacher.post('/api/remarks', { ...body, handIns })).body).toEqual({ count: 2 })
    const wrong = await teacher.post('/api/remarks', { ...body, handIns: [first.id, 'none'] })
    expect(wrong.status).toBe(404)
    const outside = await teacher.post<Refused>('/api/remarks', { ...body, to: 1e8, handIns })
    expect(outside.status).toBe(400)
    for (const id of handIns)
      expect((await teacher.get<HandInAnswer>(`/api/hand-ins/${id}`)).body.review!.remarks).toHaveLength(1)
  })

  it('keep a suggested line with a remark, where the lane can have it', async () => {
    const made = await remark(first.id, { suggestion: OTHER, subject: 'Fade in' })
    expect(made.body).toMatchObject({ suggestion: OTHER, subject: 'Fade in', revision: 1, done: false })
    expect((await remark(first.id, { suggestion: [point(0, 99)] })).status).toBe(400)
    expect((await remark(first.id, { suggestion: ['x'] })).status).toBe(400)
    expect((await remark(first.id, { lane: null, suggestion: OTHER })).body.error.message).toMatch(
      /needs a lane/,
    )
    const many = Array.from({ length: 5001 }, (_, i) => point(i, 0))
    expect((await remark(first.id, { suggestion: many })).body.error.message).toMatch(/5,000 points/)
    expect((await remark(first.id, { suggestion: many.slice(1), to: 5000 })).status).toBe(200)
    // the student's own line is as it was
    const { body } = await teacher.get<
      HandInAnswer & { document: { mix: { envelopes: { points: unknown }[] } } }
    >(`/api/hand-ins/${first.id}`)
    expect(body.document.mix.envelopes[0]!.points).toEqual(FADE)
  })

  it('are judged by the teacher in the end: a verdict is overruled, kept, counted, and shown once it came back', async () => {
    const put = (body: object) =>
      teacher.put<{ revision: number } & Refused>(`/api/hand-ins/${second.id}/review`, {
        marks: {},
        comment: '',
        revision: 0,
        ...body,
      })
    const overrules = {
      'check:dip-1': { verdict: 'met', why: 'I hear it.' },
      'mistake:drift::0': { verdict: null, why: '' },
    }
    for (const [wrong, sentence] of [
      [{ 'lane:x': { verdict: 'met', why: '' } }, /cannot be overruled/],
      [{ 'check:dip-1': { verdict: 'splendid', why: '' } }, /met, close or not yet/],
      [{ 'check:dip-1': { verdict: 'met', why: 'x'.repeat(301) } }, /300 characters/],
    ] as const) {
      const refused = await put({ overrules: wrong })
      expect(refused.status).toBe(400)
      expect(refused.body.error.message).toMatch(sentence)
    }
    const { body } = await put({ overrules })
    const review = async () =>
      (await teacher.get<{ review: { overrules: object } }>(`/api/hand-ins/${second.id}`)).body.review
    expect((await review()).overrules).toEqual(overrules)
    // a page that knows nothing of it changes nothing of it
    expect((await put({ comment: 'Good.', revision: body.revision })).status).toBe(200)
    expect((await review()).overrules).toEqual(overrules)
    expect((await teacher.get(`/api/assignments/${world.assignment}/overruled`)).body).toEqual({
      checks: { 'dip-1': 1 },
    })
    expect((await ben.get<{ review: unknown }>(`/api/hand-ins/${second.id}`)).body.review ?? null).toBeNull()
  })

  it('do not let one teacher write over another’s remark', async () => {
    const { body: made } = await remark(first.id, {})
    const change = (revision: number, text: string) =>
      teacher.put<Refused>(`/api/hand-ins/${first.id}/remarks/${made.id}`, {
        lane: REED,
        from: 0,
        to: 960,
        text,
        revision,
      })
    expect((await change(1, 'One')).status).toBe(200)
    const late = await change(1, 'Two')
    expect([late.status, late.body.error.message]).toEqual([409, expect.stringMatching(/Somebody else/)])
  })

  it('are held, given back together at a time, and until then the student knows nothing', async () => {
    for (const { id } of [first, second])
      expect(
        (await teacher.post(`/api/hand-ins/${id}/give-back`, { outcome: 'again', hold: true })).status,
      ).toBe(204)
    expect((await queue()).map((q) => q.state)).toEqual(['held', 'held'])
    const mine = async () => (await anna.get<HandInAnswer>(`/api/hand-ins/${first.id}`)).body
    expect(await mine()).toMatchObject({ state: 'waiting', outcome: null, review: null })
    const soon = new Date(Date.now() + 3_600_000).toISOString()
    expect((await teacher.post(`/api/assignments/${world.assignment}/give-back`, { at: soon })).body).toEqual(
      { count: 2 },
    )
    expect(await mine()).toMatchObject({ state: 'waiting', outcome: null, review: null, givenBackAt: null })
    expect((await anna.get('/api/assignments')).body).toMatchObject([
      { mine: { handIn: { state: 'waiting' } } },
    ])
    expect((await anna.post(`/api/hand-ins/${first.id}/opened`)).status).toBe(404)
  })

  it('can be taken back until the student has opened them', async () => {
    expect((await teacher.post(`/api/hand-ins/${first.id}/take-back`)).status).toBe(204)
    expect((await queue()).map((q) => q.state)).toEqual(['waiting', 'given back'])
    await teacher.post(`/api/hand-ins/${first.id}/give-back`, { outcome: 'again' })
    expect((await anna.post(`/api/hand-ins/${first.id}/opened`)).status).toBe(204)
    const late = await teacher.post<Refused>(`/api/hand-ins/${first.id}/take-back`)
    expect([late.status, late.body.error.message]).toEqual([409, expect.stringMatching(/opened it already/)])
  })

  it('are talked about: replies and ticks, by the two whom it concerns alone', async () => {
    const seen = (await anna.get<HandInAnswer>(`/api/hand-ins/${first.id}`)).body.review!.remarks[0]!
    const path = `/api/hand-ins/${first.id}/remarks/${seen.id}`
    expect((await anna.post(`${path}/replies`, { text: '<b>Why?</b>' })).body).toMatchObject({
      author: 'Person anna',
    })
    expect((await anna.post(`${path}/replies`, { text: '  ' })).status).toBe(400)
    expect((await ben.post(`${path}/replies`, { text: 'Me too' })).status).toBe(404)
    await teacher.post(`${path}/replies`, { text: 'Because of bar 2.' })
    expect((await anna.put(`${path}/done`, { done: true })).status).toBe(204)
    const { remarks } = (
      await teacher.get<{ review: { remarks: RemarkAnswer[] } }>(`/api/hand-ins/${first.id}`)
    ).body.review
    expect(remarks.find((r) => r.id === seen.id)).toMatchObject({
      done: true,
      replies: [
        { author: 'Person anna', text: '<b>Why?</b>' },
        { author: 'Person teacher', text: 'Because of bar 2.' },
      ],
    })
  })

  it('say when a newer version has come, and when another teacher is there', async () => {
    const { revision } = await openWork(world, anna)
    const saved = await anna.patch<{ revision: number }>(`/api/works/${work}`, saveOf(revision, OTHER))
    const { body: newer } = await anna.post<HandInAnswer>(`/api/works/${work}/hand-ins`, {
      revision: saved.body.revision,
    })
    await world.services.measuring.settled()
    const look = (client: Client) =>
      client.post<{ other: string | null; newer: object | null }>(`/api/hand-ins/${first.id}/look`)
    expect((await look(teacher)).body).toEqual({ other: null, newer: { id: newer.id, number: 2 } })
    await world.database.query(
      "INSERT INTO memberships (group_id, person_id, role) SELECT ?, id, 'teacher' FROM people WHERE sign_in = 'otherteacher'",
      [world.group],
    )
    const second = await world.as('otherTeacher')
    expect((await look(second)).body).toMatchObject({ other: 'Person teacher' })
    await world.database.query(
      "DELETE FROM memberships WHERE group_id = ? AND person_id IN (SELECT id FROM people WHERE sign_in = 'otherteacher')",
      [world.group],
    )
  })
})

describe('what happens', () => {
  it('is told to those whom it concerns, whichever page they have open', async () => {
    interface Told {
      readonly newest: string
      readonly happenings: { kind: string; data: { handIn: string } }[]
    }
    const begun = (await teacher.get<Told>('/api/happenings')).body.newest
    const { handIn } = await handedIn(world, ben, [point(0, -40), point(960, 0)])
    const told = await teacher.get<Told>(`/api/happenings?after=${begun}`)
    expect(told.body.happenings.map((h) => [h.kind, h.data.handIn])).toEqual([
      ['handed in', handIn.id],
      ['measured', handIn.id],
    ])
    await teacher.post(`/api/hand-ins/${handIn.id}/give-back`, { outcome: 'accepted' })
    const kinds = async (client: Client) =>
      (await client.get<Told>(`/api/happenings?after=${begun}`)).body.happenings.map((h) => h.kind)
    expect(await kinds(ben)).toEqual(['measured', 'given back'])
    expect(await kinds(anna)).toEqual([])
    expect(await kinds(await world.as('cleo'))).toEqual([])
    expect((await teacher.get('/api/happenings?after=x')).status).toBe(400)
  })

  it('comes by itself over an open line, and again what was missed', async () => {
    const begun = (await ben.get<{ newest: string }>('/api/happenings')).body.newest
    const live = await ben.raw('GET', `/api/happenings/live?after=${begun}`)
    const reader = live.body!.getReader()
    const text = async (until: string) => {
      let all = ''
      while (!all.includes(until)) all += new TextDecoder().decode((await reader.read()).value)
      return all
    }
    await text('event: open')
    const { handIn } = await handedIn(world, ben, [point(0, -30), point(960, 0)])
    expect(await text('measured')).toContain(handIn.id)
    await reader.cancel()
    const again = await ben.raw('GET', '/api/happenings/live', { 'last-event-id': begun })
    const second = again.body!.getReader()
    let all = ''
    while (!all.includes('measured')) all += new TextDecoder().decode((await second.read()).value)
    expect(all).toContain(handIn.id)
    await second.cancel()
  })
})

describe('what goes back at a time', () => {
  interface Told {
    readonly newest: string
    readonly happenings: { kind: string; data: { handIn: string } }[]
  }

  it('is told when that time has come, after everything else, over the line and to whoever asks', async () => {
    const { handIn } = await handedIn(world, ben, [point(0, -20), point(960, 0)])
    const begun = (await ben.get<{ newest: string }>('/api/happenings')).body.newest
    const asked = async () =>
      (await ben.get<Told>(`/api/happenings?after=${begun}`)).body.happenings
        .filter((h) => h.data.handIn === handIn.id)
        .map((h) => h.kind)
    const live = await ben.raw('GET', '/api/happenings/live')
    const reader = live.body!.getReader()
    await teacher.post(`/api/hand-ins/${handIn.id}/give-back`, { outcome: 'accepted', hold: true })
    const at = new Date(Date.now() + 1500)
    await teacher.post(`/api/assignments/${world.assignment}/give-back`, { at: at.toISOString() })
    const { handIn: other } = await handedIn(world, ben, [point(0, -25), point(960, 0)])
    expect(await asked()).toEqual([])
    let all = ''
    while (!all.includes('given back')) all += new TextDecoder().decode((await reader.read()).value)
    expect(Date.now()).toBeGreaterThanOrEqual(at.getTime())
    expect(all.indexOf(other.id)).toBeLessThan(all.indexOf('given back'))
    expect(all.split('given back')).toHaveLength(2)
    expect(await asked()).toEqual(['given back'])
    expect((await ben.get<HandInAnswer>(`/api/hand-ins/${handIn.id}`)).body.state).toBe('given back')
    await reader.cancel()
  })
})

describe('the comment bank', () => {
  it('begins with the usual remarks once they are asked for, and is each teacher’s own', async () => {
    expect((await teacher.get('/api/bank')).body).toEqual([])
    await teacher.post('/api/bank', { text: usualRemarks()[0]!.text, mistake: null })
    const { body } = await teacher.post<{ id: string; text: string }[]>('/api/bank/usual')
    expect(body.map((r) => r.text)).toEqual(usualRemarks().map((u) => u.text))
    expect((await (await world.as('otherTeacher')).get('/api/bank')).body).toEqual([])
    expect((await teacher.post('/api/bank', { text: 'x', mistake: 'bad taste' })).status).toBe(400)
  })
})

describe('the rubric', () => {
  const put = (rubric: object) =>
    teacher.put<Refused>(`/api/assignments/${world.assignment}/rubric`, { rubric })

  it('can be changed, and says what is wrong with one that cannot be', async () => {
    const rubric = { ...RUBRIC, levels: ['soon', 'yes'] }
    expect((await put(rubric)).status).toBe(204)
    const { body } = await anna.get<{ rubric: { levels: string[] } }>(`/api/assignments/${world.assignment}`)
    expect(body.rubric.levels).toEqual(['soon', 'yes'])
    expect((await put({ levels: ['a'], criteria: [] })).body.error.message).toMatch(/between 2 and 6 levels/)
  })
})
