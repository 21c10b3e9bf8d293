import { unzipSync, strFromU8 } from 'fflate'
import { point } from '@rudlo/core/envelope'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client, type Refused } from './client'
import { handedIn, type HandInAnswer } from './story'
import { makeWorld, PASSWORD, type World } from './world'

interface Card {
  readonly name: string
  readonly signIn: string
  readonly password: string
}
interface RosterAnswer {
  readonly rows: { name: string }[]
  readonly problems: { line: number; sentence: string }[]
  readonly classes: string[]
  readonly cards: Card[]
}
interface GroupAnswer {
  readonly joinCode: string
  readonly students: { id: string; name: string; signIn: string; mustChange: boolean }[]
  readonly teachers: { signIn: string }[]
  readonly requests: { id: string; name: string }[]
}

let world: World
let teacher: Client
beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
})
afterAll(() => world.close())

const roster = (group: string, body: object) =>
  teacher.post<RosterAnswer & Refused>(`/api/groups/${group}/roster`, { preview: false, ...body })
const groupOf = async (id: string) => (await teacher.get<GroupAnswer>(`/api/groups/${id}`)).body
const signedIn = async (signIn: string, password: string) => {
  const client = new Client(world.app)
  const answer = await client.post<{ mustChange: boolean } & Refused>('/api/session', { signIn, password })
  return { client, answer }
}
const freshGroup = async (name: string) =>
  (await teacher.post<{ id: string }>('/api/groups', { name, place: '' })).body.id

describe('a class', () => {
  it('of thirty comes from a table, with a card each, and everybody chooses an own password first', async () => {
    const group = await freshGroup('Thirty')
    const text = `Name\n${Array.from({ length: 30 }, (_, i) => `Student Nº ${i + 1}`).join('\n')}`
    const preview = await roster(group, { text, preview: true })
    expect([preview.body.rows.length, preview.body.cards]).toEqual([30, []])
    expect((await groupOf(group)).students).toEqual([])
    const { body } = await roster(group, { text })
    expect(body.cards).toHaveLength(30)
    expect(new Set(body.cards.map((c) => c.password)).size).toBe(30)

    const [card] = body.cards
    const { client, answer } = await signedIn(card!.signIn, card!.password)
    expect(answer.body).toMatchObject({ mustChange: true })
    const early = await client.get<Refused>('/api/assignments')
    expect([early.status, early.body.error.code]).toEqual([403, 'own-password-first'])
    expect((await client.put('/api/session/password', { password: 'short' })).status).toBe(400)
    expect((await client.put('/api/session/password', { password: 'my very own' })).status).toBe(200)
    expect((await client.get('/api/assignments')).status).toBe(200)
    expect((await signedIn(card!.signIn, card!.password)).answer.status).toBe(401)
  })

  it('takes nobody where one line is wrong or a name is taken', async () => {
    const group = await freshGroup('Picky')
    const wrong = await roster(group, { text: 'Name,Sign-in\nGood One,good\n=EVIL(),evil' })
    expect(wrong.status).toBe(400)
    const taken = await roster(group, { text: 'Name,Sign-in\nGood One,good\nAnother Anna,anna' })
    expect(taken.body.error.message).toMatch(/“anna” already. Nobody was added/)
    expect((await groupOf(group)).students).toEqual([])
  })

  it('takes a OneRoster export, class by class', async () => {
    const group = await freshGroup('Roster')
    const text =
      'sourcedId,status,username,givenName,familyName\nu1,active,lia,Lia,Moor\nu2,active,ken,Ken,Abe'
    const enrollments = 'status,classSourcedId,userSourcedId,role\nactive,c1,u1,student\nactive,c2,u2,student'
    const open = await roster(group, { text, enrollments, preview: true })
    expect(open.body).toMatchObject({ classes: ['c1', 'c2'], rows: [] })
    const { body } = await roster(group, { text, enrollments, class: 'c2' })
    expect(body.cards).toMatchObject([{ name: 'Ken Abe', signIn: 'ken' }])
    expect((await roster(group, { text: 'x', enrollments })).status).toBe(400)
  })

  it('gives a new password that ends every session of the old one', async () => {
    const group = await freshGroup('Forgetful')
    const [card] = (await roster(group, { text: 'Nora Nett' })).body.cards
    const { client } = await signedIn(card!.signIn, card!.password)
    await client.put('/api/session/password', { password: 'my very own' })
    const { students } = await groupOf(group)
    const { body } = await teacher.post<Card>(`/api/groups/${group}/students/${students[0]!.id}/password`)
    expect((await client.get('/api/assignments')).status).toBe(401)
    expect((await signedIn(card!.signIn, 'my very own')).answer.status).toBe(401)
    expect((await signedIn(body.signIn, body.password)).answer.body).toMatchObject({ mustChange: true })
  })

  it('is joined by a code once a teacher says so, and not where it is closed', async () => {
    const group = await freshGroup('Open')
    const { joinCode } = await groupOf(group)
    const ask = (signIn: string, code = joinCode) =>
      new Client(world.app).post<{ group: string } & Refused>('/api/join', {
        code: code.toLowerCase(),
        name: 'Ulla <b>Ut</b>',
        signIn,
        password: 'long enough',
      })
    expect((await ask('ulla')).body.group).toBe('Open')
    expect((await ask('anna')).body.error.message).toMatch(/already/)
    await ask('udo')
    expect((await signedIn('ulla', 'long enough')).answer.status).toBe(401)
    const { requests } = await groupOf(group)
    const answer = (i: number, accept: boolean) =>
      teacher.post(`/api/groups/${group}/requests`, { requests: [requests[i]!.id], accept })
    await answer(0, true)
    await answer(1, false)
    expect((await signedIn('ulla', 'long enough')).answer.body).toMatchObject({ mustChange: false })
    expect((await signedIn('udo', 'long enough')).answer.status).toBe(401)
    await teacher.put(`/api/groups/${group}`, { name: 'Open', place: '', joinOpen: false, keepUntil: null })
    expect((await ask('ute')).body.error.message).toMatch(/joining is closed/)
    expect((await ask('ute', 'WRONG')).status).toBe(400)
  })

  it('has co-teachers, and never none', async () => {
    const group = await freshGroup('Shared')
    const other = await world.as('otherTeacher')
    expect((await other.get(`/api/groups/${group}`)).status).toBe(404)
    await teacher.post(`/api/groups/${group}/teachers`, { signIn: 'otherteacher' })
    expect((await other.get(`/api/groups/${group}`)).status).toBe(200)
    expect((await teacher.post(`/api/groups/${group}/teachers`, { signIn: 'anna' })).status).toBe(400)
    const made = await teacher.post<{ cards: Card[] }>(`/api/groups/${group}/teachers`, {
      signIn: 'third',
      name: 'Third Teacher',
    })
    expect((await signedIn('third', made.body.cards[0]!.password)).answer.status).toBe(200)
    const lone = await freshGroup('Lone')
    const [me] = await world.database.query("SELECT id FROM people WHERE sign_in = 'teacher'")
    const last = await teacher.delete<Refused>(`/api/groups/${lone}/members/${(me as { id: string }).id}`)
    expect(last.body.error.message).toMatch(/needs a teacher/)
  })
})

describe('a pair', () => {
  it('hands in once and both have it; without the right password nothing happens', async () => {
    const anna = await world.as('anna')
    const { work, handIn } = await handedIn(world, anna, [point(0, -90), point(1920, -6)])
    const { body: opened } = await anna.post<{ id: string; revision: number }>(
      `/api/assignments/${world.assignment}/work`,
    )
    const save = {
      revision: opened.revision,
      save: crypto.randomUUID(),
      patch: [{ op: 'replace', path: '/mix/envelopes/0/points', value: [point(0, -3)] }],
      commands: [],
    }
    const { body: saved } = await anna.patch<{ revision: number }>(`/api/works/${work}`, save)
    const give = (partner: object) =>
      anna.post<HandInAnswer & Refused>(`/api/works/${work}/hand-ins`, { revision: saved.revision, partner })
    expect((await give({ signIn: 'ben', password: 'wrong' })).body.error.message).toMatch(
      /Nothing was handed in/,
    )
    const guesses = []
    for (let i = 0; i < 5; i++) guesses.push((await give({ signIn: 'ben', password: `guess ${i}` })).status)
    expect(guesses).toEqual([400, 400, 400, 400, 429])
    await world.database.query('DELETE FROM limits')
    expect((await give({ signIn: 'anna', password: PASSWORD })).status).toBe(400)
    expect((await give({ signIn: 'cleo', password: PASSWORD })).status).toBe(400)
    expect((await give({ signIn: 'ben', password: PASSWORD })).body.number).toBe(handIn.number + 1)
    await world.services.measuring.settled()
    const ben = await world.as('ben')
    const { body: own } = await ben.post<{ id: string }>(`/api/assignments/${world.assignment}/work`)
    expect((await ben.get<HandInAnswer[]>(`/api/works/${own.id}/hand-ins`)).body).toMatchObject([
      { number: 1, state: 'waiting' },
    ])
    const queue = await teacher.get<{ student: string; with: string | null; sameAs: string[] }[]>(
      `/api/assignments/${world.assignment}/hand-ins`,
    )
    expect(queue.body.map((q) => `${q.student} with ${q.with}, same as ${q.sameAs.join()}`).sort()).toEqual([
      'Person anna with Person ben, same as ',
      'Person anna with null, same as ',
      'Person ben with Person anna, same as ',
    ])
  })
})

describe('leaving', () => {
  it('takes everything along in one file', async () => {
    const ben = await world.as('ben')
    const { bytes, headers } = await ben.get(`/api/people/${world.ben}/everything`)
    expect(headers.get('content-type')).toBe('application/zip')
    const files = unzipSync(bytes)
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining([
        'about.json',
        'A fade/work.json',
        'A fade/song.json',
        'A fade/version 1/work.json',
      ]),
    )
    expect(JSON.parse(strFromU8(files['about.json']!))).toMatchObject({ name: 'Person ben' })
    expect((await ben.get(`/api/people/${world.anna}/everything`)).status).toBe(404)
  })

  it('says what is there, and then erases all of it', async () => {
    const { body } = await teacher.get(`/api/people/${world.anna}/belongings`)
    expect(body).toMatchObject({ works: 1, handIns: 2 })
    expect((await (await world.as('otherTeacher')).delete(`/api/people/${world.anna}`)).status).toBe(404)
    expect((await teacher.delete(`/api/people/${world.anna}`)).status).toBe(204)
    expect((await signedIn('anna', PASSWORD)).answer.status).toBe(401)
    for (const table of ['people', 'works', 'memberships', 'trail', 'sessions']) {
      const column = table === 'people' ? 'id' : 'person_id'
      expect(
        await world.database.query(`SELECT 1 FROM ${table} WHERE ${column} = ?`, [world.anna]),
        table,
      ).toEqual([])
    }
    const all = JSON.stringify(await world.database.query('SELECT * FROM hand_ins'))
    expect(all).not.toContain(world.anna)
    // the other one of the pair keeps what both made
    const ben = await world.as('ben')
    const { body: own } = await ben.post<{ id: string }>(`/api/assignments/${world.assignment}/work`)
    expect((await ben.get<unknown[]>(`/api/works/${own.id}/hand-ins`)).body).toHaveLength(1)
    const trail = await teacher.get<{ what: string; who: string }[]>(`/api/groups/${world.group}/trail`)
    expect(JSON.stringify(trail.body)).not.toContain('Person anna')
    expect(trail.body[0]).toMatchObject({ what: 'erased a student', who: 'Person teacher' })
  })
})

describe('the trail', () => {
  it('says who changed what, to the teachers of the group alone', async () => {
    await teacher.put(`/api/groups/${world.group}/students/${world.ben}`, { name: 'Benno' })
    const { body } = await teacher.get<{ what: string; who: string; whom: string | null }[]>(
      `/api/groups/${world.group}/trail`,
    )
    expect(body[0]).toMatchObject({ what: 'renamed', who: 'Person teacher', whom: 'Benno' })
    expect(body.map((t) => t.what)).toContain('handed in')
  })
})
