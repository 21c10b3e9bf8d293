import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import type { Client, Refused } from './client'
import { handedIn, openWork, saveOf, type HandInAnswer } from './story'
import { makeWorld, REED, type World } from './world'

let world: World
let anna: Client
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  anna = await world.as('anna')
  teacher = await world.as('teacher')
})
afterAll(() => world.close())

const FADE = [point(0, -90), point(1920, -6)]
const LONGER = [point(0, -90), point(3840, -6)]
const review = (id: string, body: object) =>
  teacher.put<{ revision: number } & Refused>(`/api/hand-ins/${id}/review`, body)

describe('from hand-in to second version', () => {
  let first: HandInAnswer
  let work: string

  it('freezes the work and measures line and sound on the server', async () => {
    ;({ handIn: first, work } = await handedIn(world, anna, FADE))
    expect(first).toMatchObject({ number: 1, state: 'waiting', review: null })
    expect(first.measurement!.moves).toMatchObject([{ kind: 'fade in', start: 0, end: 1920, silent: true }])
    expect(first.measurement!.integrated).toBeGreaterThan(-30)
    expect(first.measurement!.truePeak).toBeLessThan(0)
  })

  it('takes no second version of the same work, and none that is not saved', async () => {
    const { revision } = await openWork(world, anna)
    const same = await anna.post<Refused>(`/api/works/${work}/hand-ins`, { revision })
    expect([same.status, same.body.error.message]).toEqual([409, 'Nothing has changed since version 1.'])
    const ahead = await anna.post<Refused>(`/api/works/${work}/hand-ins`, { revision: revision + 1 })
    expect(ahead.status).toBe(409)
  })

  it('stays frozen while the student goes on', async () => {
    const { revision } = await openWork(world, anna)
    await anna.patch(`/api/works/${work}`, saveOf(revision, LONGER))
    const { body } = await teacher.get<
      HandInAnswer & { document: { mix: { envelopes: { points: unknown }[] } } }
    >(`/api/hand-ins/${first.id}`)
    expect(body.document.mix.envelopes[0]!.points).toEqual(FADE)
  })

  it('is in the queue by state', async () => {
    const queue = (state: string) =>
      teacher.get(`/api/assignments/${world.assignment}/hand-ins?state=${encodeURIComponent(state)}`)
    expect((await queue('waiting')).body).toMatchObject([{ id: first.id, student: 'Person anna', number: 1 }])
    expect((await queue('given back')).body).toEqual([])
    expect((await queue('lost')).status).toBe(400)
  })

  it('takes marks, comment and remarks, and shows the student none of it yet', async () => {
    expect(
      (await review(first.id, { marks: { fades: 1 }, comment: 'Nearly.', revision: 0 })).body.revision,
    ).toBe(1)
    await teacher.post(`/api/hand-ins/${first.id}/remarks`, {
      lane: REED,
      from: 0,
      to: 1920,
      text: '<b>Longer</b>',
    })
    const seen = await anna.get<HandInAnswer>(`/api/hand-ins/${first.id}`)
    expect(seen.body.review).toBeNull()
    expect(JSON.stringify(seen.body)).not.toContain('Nearly')
  })

  it('lets two reviewers not overwrite each other', async () => {
    const second = await review(first.id, { marks: {}, comment: 'Other', revision: 0 })
    expect([second.status, second.body.error.code]).toEqual([409, 'not-now'])
    expect((await teacher.get<HandInAnswer>(`/api/hand-ins/${first.id}`)).body.review).toMatchObject({
      comment: 'Nearly.',
      marks: { fades: 1 },
    })
  })

  it('is given back once, and then the student sees everything', async () => {
    expect((await teacher.post(`/api/hand-ins/${first.id}/give-back`, { outcome: 'again' })).status).toBe(204)
    expect((await teacher.post(`/api/hand-ins/${first.id}/give-back`, { outcome: 'accepted' })).status).toBe(
      409,
    )
    const { body } = await anna.get<HandInAnswer[]>(`/api/works/${work}/hand-ins`)
    expect(body).toMatchObject([
      {
        state: 'given back',
        outcome: 'again',
        review: { comment: 'Nearly.', remarks: [{ lane: REED, text: '<b>Longer</b>' }] },
      },
    ])
  })

  it('is followed by version 2, beside which the teacher sees version 1', async () => {
    const { revision } = await openWork(world, anna)
    const { body } = await anna.post<HandInAnswer>(`/api/works/${work}/hand-ins`, { revision })
    await world.services.measuring.settled()
    const seen = await teacher.get<HandInAnswer & { before: HandInAnswer }>(`/api/hand-ins/${body.id}`)
    expect(seen.body).toMatchObject({ number: 2, state: 'waiting', before: { number: 1, id: first.id } })
    expect(
      (await teacher.get<{ newest: number }[]>(`/api/assignments/${world.assignment}/hand-ins`)).body.map(
        (q) => Number(q.newest),
      ),
    ).toEqual([0, 1])
  })

  it('is counted on both first pages', async () => {
    expect((await teacher.get('/api/assignments')).body).toMatchObject([
      { counts: { students: 2, waiting: 1, givenBack: 0 } },
    ])
    expect((await anna.get('/api/assignments')).body).toMatchObject([
      { mine: { begun: true, handIn: { number: 2, state: 'waiting', outcome: null } } },
    ])
  })
})

describe('bad input', () => {
  let id: string
  beforeAll(async () => void (id = (await handedIn(world, await world.as('ben'), FADE)).handIn.id))

  it.each([
    [{ lane: 'track/none/level', from: 0, to: 9, text: 'x' }, /no such lane/],
    [{ lane: REED, from: 900, to: 9, text: 'x' }, /inside the song/],
    [{ lane: REED, from: 0, to: 999_999, text: 'x' }, /inside the song/],
    [{ lane: REED, from: 0, to: 9, text: '' }, /between 1 and 2,000/],
    [{ lane: REED, from: 0.5, to: 9, text: 'x' }, /from/],
  ])('refuses the remark %j', async (body, sentence) => {
    const answer = await teacher.post<Refused>(`/api/hand-ins/${id}/remarks`, body)
    expect(answer.status).toBe(400)
    expect(answer.body.error.message).toMatch(sentence)
  })

  it.each([
    [{ marks: { beauty: 1 }, comment: '', revision: 0 }, /no line "beauty"/],
    [{ marks: { fades: 7 }, comment: '', revision: 0 }, /none of the rubric/],
    [{ marks: { fades: '1' }, comment: '', revision: 0 }, /none of the rubric/],
    [{ marks: [], comment: '', revision: 0 }, /marks/],
    [{ marks: {}, comment: 'x'.repeat(5001), revision: 0 }, /5,000/],
  ])('refuses the review %j', async (body, sentence) => {
    const answer = await review(id, body)
    expect(answer.status).toBe(400)
    expect(answer.body.error.message).toMatch(sentence)
  })

  it('refuses an outcome there is not', async () => {
    expect((await teacher.post(`/api/hand-ins/${id}/give-back`, { outcome: 'maybe' })).status).toBe(400)
  })
})

describe('listening notes', () => {
  it('are the student’s own: they stay with the work and are not handed in', async () => {
    const ben = await world.as('ben')
    const { id, revision } = await openWork(world, ben)
    const note = { id: 'n1', tick: 0, text: 'secretly too loud', done: false }
    const patch = [{ op: 'add', path: '/notes/0', value: note }]
    const saved = await ben.patch<{ revision: number }>(`/api/works/${id}`, {
      ...saveOf(revision, FADE),
      patch,
    })
    const { body } = await ben.post<HandInAnswer>(`/api/works/${id}/hand-ins`, {
      revision: saved.body.revision,
    })
    await world.services.measuring.settled()
    const seen = await teacher.get<HandInAnswer>(`/api/hand-ins/${body.id}`)
    expect(seen.status).toBe(200)
    expect(JSON.stringify(seen.body)).not.toContain('secretly')
    expect((await ben.get(`/api/works/${id}`)).body).toMatchObject({ document: { notes: [note] } })
  })
})

describe('the measuring queue', () => {
  it('takes up at start what was not measured', async () => {
    const ben = await world.as('ben')
    const { id: work, revision } = await openWork(world, ben)
    const saved = await ben.patch<{ revision: number }>(`/api/works/${work}`, saveOf(revision, LONGER))
    const { body } = await ben.post<HandInAnswer>(`/api/works/${work}/hand-ins`, {
      revision: saved.body.revision,
    })
    await world.services.measuring.settled()
    await world.database.query("UPDATE hand_ins SET measurement = NULL, state = 'measuring' WHERE id = ?", [
      body.id,
    ])
    await world.services.measuring.resume()
    await world.services.measuring.settled()
    expect((await teacher.get<HandInAnswer>(`/api/hand-ins/${body.id}`)).body).toMatchObject({
      state: 'waiting',
      measurement: { version: 1 },
    })
  })
})
