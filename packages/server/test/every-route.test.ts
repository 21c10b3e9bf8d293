import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import { makeApi } from '../src/api'
import { routeTable } from '../src/http/route-table'
import { Client } from './client'
import { handedIn, saveOf, spokenBody } from './story'
import { BRIEF, makeWorld, PASSWORD, REED, RUBRIC, type World } from './world'

/** Everybody who may come: nobody, the owner, a classmate, a stranger, the teacher, another teacher. */
const CALLERS = [null, 'anna', 'ben', 'cleo', 'teacher', 'otherTeacher'] as const
type Statuses = readonly [
  nobody: number,
  anna: number,
  ben: number,
  cleo: number,
  teacher: number,
  otherTeacher: number,
]

const OWN: Statuses = [401, 200, 404, 404, 404, 404]
const GROUP: Statuses = [401, 200, 200, 404, 200, 404]
const REVIEWER: Statuses = [401, 404, 404, 404, 200, 404]
const BOTH: Statuses = [401, 200, 404, 404, 200, 404]
/** Students of the group, and teachers whatever their groups. */
const SONGBOOK: Statuses = [401, 200, 200, 404, 200, 200]
const ALL: Statuses = [200, 200, 200, 200, 200, 200]
const MEMBERS: Statuses = [401, 200, 200, 200, 200, 200]
const TEACHERS: Statuses = [401, 404, 404, 404, 200, 200]

/**
 * Who was somebody once. Taken out of the group, or of the last one that was taught: what a stranger gets. With a password that
 * somebody else gave: only the way to an own one. With a session that is over, or erased: what nobody gets.
 */
const STATES = ['taken out', 'taught here once', 'password to be changed', 'session ended', 'erased'] as const

let world: World
let ids: Record<string, string>
let names = 0

beforeAll(async () => {
  world = await makeWorld()
  const anna = await world.as('anna')
  const teacher = await world.as('teacher')
  const { work, handIn } = await handedIn(world, anna, [point(0, -90), point(1920, 0)])
  const remark = await teacher.post<{ id: string }>(`/api/hand-ins/${handIn.id}/remarks`, {
    lane: REED,
    from: 0,
    to: 960,
    text: 'Listen.',
  })
  await teacher.call('PUT', `/api/assignments/${world.assignment}/model`, { mix: world.mix })
  await teacher.post(`/api/groups/${world.group}/roster`, { text: 'Guest One\nGuest Two', preview: false })
  await new Client(world.app).post('/api/join', {
    code: world.group.slice(0, 8),
    name: 'Ole',
    signIn: 'ole',
    password: 'long enough',
  })
  const guests = await teacher.get<{
    students: { id: string; signIn: string }[]
    requests: { id: string }[]
  }>(`/api/groups/${world.group}`)
  const bank = await teacher.post<{ id: string }>('/api/bank', { text: 'Mine.', mistake: null })
  ids = {
    assignment: world.assignment,
    work,
    handIn: handIn.id,
    remark: remark.body.id,
    asset: world.song.assets[0]!.id,
    group: world.group,
    version: world.songVersion,
    person: world.anna,
    song: (await teacher.get<{ song: string }[]>('/api/songs')).body[0]!.song,
    upload: (await teacher.post<{ id: string }>('/api/uploads', { name: 'a.wav', bytes: 4 })).body.id,
    number: 'x',
    task: 'in',
    criterion: 'fades',
    bank: bank.body.id,
    guest: guests.body.students.find((s) => s.signIn === 'guest.one')!.id,
    guest2: guests.body.students.find((s) => s.signIn === 'guest.two')!.id,
    request: guests.body.requests[0]!.id,
  }
})
afterAll(() => world.close())

/** An assignment as a teacher may write it. */
const written = () => ({
  title: 'A fade',
  brief: { ...BRIEF },
  modelHeard: 'never',
  opensAt: null,
  dueAt: null,
  handInLimit: null,
})

/** Each route with what it is called with and what each caller gets: a route that is missing here fails the test. */
const EXPECTED: Readonly<
  Record<string, { readonly body?: () => unknown; readonly query?: string; readonly statuses: Statuses }>
> = {
  'get /api/health': { statuses: ALL },
  'get /api/openapi.json': { statuses: ALL },
  'get /api/session': { statuses: ALL },
  'post /api/session': {
    // a name that nobody has guessed at
    body: () => ({ signIn: `nobody${names++}`, password: 'x' }),
    statuses: [401, 401, 401, 401, 401, 401],
  },
  'post /api/demo-session': { body: () => ({ person: 'x' }), statuses: [404, 404, 404, 404, 404, 404] },
  'post /api/first-teacher': {
    body: () => ({ code: 'x', name: 'Eve', signIn: 'eve', password: 'long enough' }),
    statuses: [403, 403, 403, 403, 403, 403],
  },
  'delete /api/session': { statuses: [204, 204, 204, 204, 204, 204] },
  'get /api/assignments': { statuses: MEMBERS },
  'get /api/assignments/:assignment': { statuses: GROUP },
  'post /api/assignments/:assignment/work': { statuses: GROUP },
  'get /api/assignments/:assignment/hand-ins': { statuses: REVIEWER },
  'post /api/assignments': {
    body: () => ({ ...written(), group: ids['group'], songVersion: ids['version'], startingMix: world.mix }),
    statuses: REVIEWER,
  },
  'put /api/assignments/:assignment': { body: () => ({ ...written(), revision: 1 }), statuses: REVIEWER },
  'put /api/assignments/:assignment/model': {
    body: () => ({ mix: world.mix }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'get /api/assignments/:assignment/model': { statuses: REVIEWER },
  'post /api/assignments/:assignment/trial': { body: () => ({ brief: written().brief }), statuses: REVIEWER },
  'post /api/assignments/:assignment/remeasure': { statuses: REVIEWER },
  'get /api/assignments/:assignment/groups': { statuses: REVIEWER },
  'post /api/assignments/:assignment/groups': {
    body: () => ({ groups: [{ group: ids['group'], dueAt: null }] }),
    statuses: [401, 404, 404, 404, 409, 404],
  },
  'get /api/assignments/:assignment/exceptions': { statuses: REVIEWER },
  'put /api/assignments/:assignment/exceptions/:person': {
    body: () => ({ dueAt: null, brief: null }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'get /api/songs': { statuses: TEACHERS },
  'get /api/songs/:version': { statuses: TEACHERS },
  'post /api/songs': { body: () => ({ document: world.song }), statuses: TEACHERS },
  // only its own teachers change a song
  'put /api/songs/:song': {
    body: () => ({ document: world.song }),
    statuses: [401, 404, 404, 404, 200, 403],
  },
  'patch /api/songs/:song': {
    body: () => ({ archived: false }),
    statuses: [401, 404, 404, 404, 204, 403],
  },
  'post /api/uploads': { body: () => ({ name: 'a.wav', bytes: 4 }), statuses: TEACHERS },
  'get /api/uploads/:upload': { statuses: REVIEWER },
  // out of turn, since it has no number
  'post /api/uploads/:upload/chunks/:number': { statuses: [401, 404, 404, 404, 400, 400] },
  'post /api/uploads/:upload/decode': { statuses: [401, 404, 404, 404, 409, 404] },
  'post /api/uploads/:upload/bundle': { statuses: [401, 404, 404, 404, 409, 404] },
  // nothing is no MIDI file
  'post /api/notes': { statuses: [401, 404, 404, 404, 400, 400] },
  'delete /api/uploads/:upload': { statuses: [401, 404, 404, 404, 204, 404] },
  'get /api/groups': { statuses: TEACHERS },
  'post /api/groups': { body: () => ({ name: 'New', place: '' }), statuses: TEACHERS },
  'get /api/groups/:group': { statuses: REVIEWER },
  'put /api/groups/:group': {
    body: () => ({ name: 'Group', place: 'Room', joinOpen: true, keepUntil: null }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'post /api/groups/:group/roster': {
    body: () => ({ text: 'Dora Lind', preview: true }),
    statuses: REVIEWER,
  },
  'put /api/groups/:group/students/:person': {
    body: () => ({ name: 'Person anna' }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'post /api/groups/:group/members': {
    body: () => ({ person: ids['person'] }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'get /api/students': { statuses: TEACHERS },
  'post /api/groups/:group/students/:person/password': { statuses: REVIEWER },
  'post /api/groups/:group/requests': {
    body: () => ({ requests: [ids['request']], accept: false }),
    statuses: REVIEWER,
  },
  'post /api/groups/:group/teachers': { body: () => ({ signIn: 'teacher' }), statuses: REVIEWER },
  'post /api/groups/:group/former/:person': { statuses: [401, 404, 404, 404, 204, 404] },
  'post /api/people/:person/password': { statuses: REVIEWER },
  'get /api/groups/:group/trail': { statuses: REVIEWER },
  // the code belongs to no group
  'post /api/join': {
    body: () => ({ code: 'NOPE', name: 'Eve', signIn: 'eve', password: 'long enough' }),
    statuses: [400, 400, 400, 400, 400, 400],
  },
  'get /api/people/:person/everything': { statuses: BOTH },
  'get /api/people/:person/belongings': { statuses: REVIEWER },
  'delete /api/groups/:group/members/:person': { statuses: [401, 404, 404, 404, 204, 404] },
  'delete /api/people/:person': { statuses: [401, 404, 404, 404, 204, 404] },
  'put /api/session/password': {
    body: () => ({ now: 'wrong', password: 'long enough' }),
    statuses: [401, 403, 403, 403, 403, 403],
  },
  'get /api/sessions': { statuses: MEMBERS },
  // nobody has a session of this name
  'delete /api/sessions/:session': { statuses: [401, 404, 404, 404, 404, 404] },
  'get /api/works/:work/asked': { statuses: OWN },
  'post /api/works/:work/asked': {
    body: () => ({ task: 'in' }),
    statuses: [401, 204, 404, 404, 404, 404],
  },
  'get /api/works/:work/hints': { statuses: OWN },
  'post /api/works/:work/hints': { body: () => ({ task: 'in', level: 0 }), statuses: OWN },
  'get /api/works/:work': { statuses: OWN },
  'get /api/works/:work/head': { statuses: OWN },
  'get /api/works/:work/bundle': { statuses: OWN },
  'get /api/hand-ins/:handIn/bundle': { statuses: BOTH },
  'get /api/assignments/:assignment/marks.csv': { statuses: REVIEWER },
  'get /api/assignments/:assignment/overruled': { statuses: REVIEWER },
  'get /api/assignments/:assignment/bundle': { statuses: REVIEWER },
  'patch /api/works/:work': { body: () => saveOf(2, [point(0, -90), point(960, 0)]), statuses: OWN },
  'put /api/works/:work/window': {
    body: () => ({ window: 'window-1' }),
    statuses: [401, 204, 404, 404, 404, 404],
  },
  'get /api/works/:work/tries': { statuses: OWN },
  'post /api/works/:work/tries': {
    body: () => ({ name: 'A try', document: { mix: world.mix, notes: [] } }),
    statuses: OWN,
  },
  'post /api/works/:work/hand-ins': { body: () => ({ revision: 3 }), statuses: OWN },
  'get /api/works/:work/hand-ins': { statuses: OWN },
  'get /api/hand-ins/:handIn': { statuses: BOTH },
  'put /api/hand-ins/:handIn/review': {
    body: () => ({ marks: { fades: 1 }, comment: 'Good.', revision: 0 }),
    statuses: REVIEWER,
  },
  'post /api/hand-ins/:handIn/remarks': {
    body: () => ({ lane: REED, from: 0, to: 960, text: 'Here.' }),
    statuses: REVIEWER,
  },
  'put /api/hand-ins/:handIn/remarks/:remark': {
    body: () => ({ lane: REED, from: 0, to: 1920, text: 'There.', revision: 1 }),
    statuses: REVIEWER,
  },
  'post /api/hand-ins/:handIn/spoken': {
    body: () => spokenBody(),
    statuses: REVIEWER,
  },
  // nothing is spoken there
  'get /api/hand-ins/:handIn/remarks/:remark/spoken': { statuses: [401, 404, 404, 404, 404, 404] },
  'post /api/remarks': {
    body: () => ({ handIns: [ids['handIn']], lane: null, from: 0, to: 960, text: 'All of you.' }),
    statuses: REVIEWER,
  },
  // of what is not given back yet there is nothing to answer
  'post /api/hand-ins/:handIn/remarks/:remark/replies': {
    body: () => ({ text: 'Why?' }),
    statuses: REVIEWER,
  },
  'put /api/hand-ins/:handIn/remarks/:remark/done': {
    body: () => ({ done: true }),
    statuses: [401, 404, 404, 404, 404, 404],
  },
  'post /api/hand-ins/:handIn/opened': { statuses: [401, 404, 404, 404, 404, 404] },
  'post /api/hand-ins/:handIn/look': { statuses: REVIEWER },
  // a teacher has looked at it
  'delete /api/hand-ins/:handIn': { statuses: [401, 409, 404, 404, 404, 404] },
  'post /api/hand-ins/:handIn/measure': { statuses: [401, 404, 404, 404, 204, 404] },
  'post /api/assignments/:assignment/give-back': { body: () => ({}), statuses: REVIEWER },
  'put /api/assignments/:assignment/rubric': {
    body: () => ({ rubric: RUBRIC }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'get /api/assignments/:assignment/missing': { statuses: REVIEWER },
  'get /api/assignments/:assignment/lines': { query: `?lane=${REED}`, statuses: REVIEWER },
  'get /api/bank': { statuses: TEACHERS },
  'post /api/bank': { body: () => ({ text: 'Listen.', mistake: null }), statuses: TEACHERS },
  'post /api/bank/usual': { statuses: TEACHERS },
  'put /api/bank/:bank': { body: () => ({ text: 'Hear.', mistake: null }), statuses: REVIEWER },
  'delete /api/bank/:bank': { statuses: [401, 404, 404, 404, 204, 404] },
  'put /api/assignments/:assignment/presence': {
    body: () => ({ task: 'in', acted: true, help: true, shows: false }),
    statuses: [401, 204, 204, 404, 404, 404],
  },
  'get /api/groups/:group/lesson': { statuses: REVIEWER },
  'get /api/assignments/:assignment/works/:person': { statuses: REVIEWER },
  'post /api/assignments/:assignment/point': {
    body: () => ({ lane: REED, from: 0, to: 960 }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'delete /api/groups/:group/lesson/:person/help': { statuses: [401, 404, 404, 404, 204, 404] },
  'get /api/happenings': { statuses: MEMBERS },
  'get /api/happenings/live': { statuses: MEMBERS },
  'delete /api/hand-ins/:handIn/remarks/:remark': { statuses: [401, 404, 404, 404, 204, 404] },
  'post /api/hand-ins/:handIn/give-back': {
    body: () => ({ outcome: 'again' }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  // once it was given back
  'post /api/hand-ins/:handIn/take-back': { statuses: [401, 404, 404, 404, 204, 404] },
  'post /api/groups/:group/next-term': {
    body: () => ({ name: 'Spring', place: '', students: false, assignments: [] }),
    statuses: REVIEWER,
  },
  'post /api/groups/:group/reopen': { statuses: [401, 404, 404, 404, 204, 404] },
  'get /api/groups/:group/archive.zip': { statuses: REVIEWER },
  'get /api/removed': { statuses: TEACHERS },
  // nothing of that id was removed
  'post /api/removed': {
    body: () => ({ kind: 'assignment', id: ids['assignment'] }),
    statuses: [401, 404, 404, 404, 404, 404],
  },
  'get /api/assignments/:assignment/hanging': { statuses: REVIEWER },
  'get /api/groups/:group/hanging': { statuses: REVIEWER },
  // an assignment uses it
  'delete /api/songs/:song': { statuses: [401, 404, 404, 404, 409, 403] },
  'get /api/today': { statuses: TEACHERS },
  'get /api/groups/:group/term': { statuses: REVIEWER },
  'post /api/groups/:group/small-groups': {
    body: () => ({ title: 'Fades once more', students: [ids['person']] }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  // nothing of that id
  'delete /api/groups/:group/small-groups/:small': { statuses: [401, 404, 404, 404, 404, 404] },
  'get /api/assignments/:assignment/tasks/:task/strips': { statuses: REVIEWER },
  'get /api/assignments/:assignment/best/:criterion': { statuses: REVIEWER },
  'get /api/groups/:group/students/:person/term': { statuses: REVIEWER },
  'put /api/groups/:group/students/:person/notes': {
    body: () => ({ text: 'Listens well.', revision: 0 }),
    statuses: REVIEWER,
  },
  'get /api/term': { statuses: [401, 200, 200, 200, 404, 404] },
  // Cleo is in no class of the teacher's
  'put /api/term/sharing': {
    body: () => ({ group: ids['group'], shares: true }),
    statuses: [401, 204, 204, 404, 404, 404],
  },
  'post /api/assignments/:assignment/extension': {
    body: () => ({ students: [ids['person']], dueAt: null }),
    statuses: REVIEWER,
  },
  'get /api/groups/:group/grades': { statuses: REVIEWER },
  'put /api/groups/:group/grades': {
    body: () => ({ scheme: { scale: { kind: 'percent' } }, revision: 0 }),
    statuses: REVIEWER,
  },
  'put /api/groups/:group/grades/:person': {
    body: () => ({ share: 0.5, reason: 'Was ill.' }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'put /api/assignments/:assignment/excused/:person': {
    body: () => ({ excused: true, reason: '' }),
    statuses: [401, 404, 404, 404, 204, 404],
  },
  'get /api/groups/:group/grades.csv': { statuses: REVIEWER },
  'get /api/groups/:group/results.zip': { statuses: REVIEWER },
  'get /api/assets/:asset': { statuses: SONGBOOK },
  'get /api/assets/:asset/overview': { statuses: SONGBOOK },
  'get /api/surfaces': { statuses: MEMBERS },
  'put /api/surfaces': { body: () => ({ maps: [] }), statuses: [401, 204, 204, 204, 204, 204] },
  'get /schemas/rudlo-mix-1.json': { statuses: ALL },
  // what everything else hangs on: last of all
  'delete /api/assignments/:assignment': { statuses: [401, 404, 404, 404, 204, 404] },
  'delete /api/groups/:group': { statuses: [401, 404, 404, 404, 204, 404] },
}

/** Some routes end somebody's time here: they are tried with guests. */
const GUESTS: Readonly<Record<string, string>> = {
  'post /api/groups/:group/students/:person/password': 'guest',
  'post /api/groups/:group/former/:person': 'former',
  'post /api/people/:person/password': 'guest',
  'delete /api/groups/:group/members/:person': 'guest2',
  'delete /api/people/:person': 'guest',
}
const alias = (key: string, name: string) => (name === 'person' ? (GUESTS[key] ?? name) : name)

/** What every student may ask, and no teacher. */
const STUDENTS_ALONE = ['get /api/term']

/** What somebody in another state gets, by what a stranger and nobody get. */
function expectedIn(state: (typeof STATES)[number], key: string, [nobody, , , stranger]: Statuses): number {
  // a teacher, if without a class
  if (state === 'taught here once' && STUDENTS_ALONE.includes(key)) return 404
  if (state === 'taken out' || state === 'taught here once') return stranger
  if (state !== 'password to be changed') return nobody
  if (nobody !== 401 || key === 'post /api/session') return stranger
  // the password it has now is not asked for
  return key === 'put /api/session/password' ? 200 : 403
}

const clients = new Map<string, Client>()

/** What is typed of a card. */
const asSent = ({ signIn, password }: { signIn: string; password: string }) => ({ signIn, password })

beforeAll(async () => {
  for (const name of CALLERS) clients.set(String(name), await world.as(name))
  const teacher = await world.as('teacher')
  const { group } = world
  const comeIn = async (name: string) => {
    const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
      `/api/groups/${group}/roster`,
      { text: name, preview: false },
    )
    const client = new Client(world.app)
    const { body: person } = await client.post<{ id: string }>('/api/session', asSent(body.cards[0]!))
    return { client, id: person.id, signIn: body.cards[0]!.signIn }
  }
  const settled = async (name: string) => {
    const made = await comeIn(name)
    await made.client.put('/api/session/password', { password: PASSWORD })
    return made
  }
  const signInAgain = (client: Client, signIn: string) =>
    client.post('/api/session', { signIn, password: PASSWORD })

  const out = await settled('Olga Out')
  await teacher.delete(`/api/groups/${group}/members/${out.id}`)
  await signInAgain(out.client, out.signIn)
  clients.set('taken out', out.client)

  const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
    `/api/groups/${group}/teachers`,
    { signIn: 'once', name: 'Taught Once' },
  )
  const once = new Client(world.app)
  const { body: former } = await once.post<{ id: string }>('/api/session', asSent(body.cards[0]!))
  await once.put('/api/session/password', { password: PASSWORD })
  await teacher.delete(`/api/groups/${group}/members/${former.id}`)
  await signInAgain(once, 'once')
  clients.set('taught here once', once)

  clients.set('password to be changed', (await comeIn('Newly Come')).client)

  const ended = await settled('Ended Early')
  const thief = await ended.client.get<{ id: string }[]>('/api/sessions')
  await signInAgain(new Client(world.app), ended.signIn)
  await ended.client.delete(`/api/sessions/${thief.body[0]!.id}`)
  clients.set('session ended', ended.client)

  const erased = await settled('Erased Eve')
  await teacher.delete(`/api/people/${erased.id}`)
  clients.set('erased', erased.client)

  const back = await settled('Former Fay')
  await teacher.delete(`/api/groups/${group}/members/${back.id}`)
  ids['former'] = back.id
  ids['session'] = 'f'.repeat(20)
})

it('has every route in its table', () => {
  expect(
    routeTable(makeApi(world.services))
      .map(({ method, path }) => `${method} ${path}`)
      .sort(),
  ).toEqual(Object.keys(EXPECTED).sort())
})

describe.each(Object.entries(EXPECTED))('%s', (key, { body, query, statuses }) => {
  const [method = '', path = ''] = key.split(' ')
  const call = async (client: Client) => {
    const address = path.replace(/:(\w+)/g, (_, name: string) => ids[alias(key, name)]!)
    return (await client.call(method.toUpperCase(), address + (query ?? ''), body?.())).status
  }
  // the owner and the teacher come last: their calls change things
  const order = [0, 2, 3, 5] as const
  it.each(order.map((i) => [String(CALLERS[i]), statuses[i]]))('%s gets %i', async (name, status) => {
    const client =
      key === 'delete /api/session'
        ? await world.as(name === 'null' ? null : (name as 'ben'))
        : clients.get(name)!
    expect(await call(client)).toBe(status)
  })
  // signing out, or in as somebody else, would end their state
  const ends = ['delete /api/session', 'put /api/session/password'].includes(key)
  it.each((ends ? [] : STATES).map((state) => [state, expectedIn(state, key, statuses)] as const))(
    'who is "%s" gets %i',
    async (state, status) => {
      expect(await call(clients.get(state)!)).toBe(status)
    },
  )
  it.each([1, 4].map((i) => [String(CALLERS[i]), statuses[i]!]))('%s gets %i', async (name, status) => {
    const client = key === 'delete /api/session' ? await world.as(name as 'anna') : clients.get(name)!
    expect(await call(client)).toBe(status)
  })
})

it('gives back what was removed, with everybody who belonged to it', async () => {
  const teacher = await world.as('teacher')
  for (const [kind, id] of [
    ['class', world.group],
    ['assignment', world.assignment],
  ])
    expect((await teacher.post('/api/removed', { kind, id })).status).toBe(204)
  expect((await teacher.get(`/api/assignments/${world.assignment}`)).status).toBe(200)
  expect((await (await world.as('ben')).get(`/api/assignments/${world.assignment}`)).status).toBe(200)
})

it('gives a student who was taken out nothing of what was theirs, and their teachers all of it', async () => {
  const teacher = await world.as('teacher')
  const { body } = await teacher.post<{ cards: { signIn: string; password: string }[] }>(
    `/api/groups/${world.group}/roster`,
    { text: 'Willi Work', preview: false },
  )
  const { signIn } = body.cards[0]!
  const client = new Client(world.app)
  const { body: person } = await client.post<{ id: string }>('/api/session', asSent(body.cards[0]!))
  await client.put('/api/session/password', { password: PASSWORD })
  const { work, handIn } = await handedIn(world, client, [point(0, -90), point(1920, 0)])
  const line = await client.raw('GET', '/api/happenings/live')
  const ended = (async () => {
    for await (const _ of line.body!) void _
    return true
  })()
  await teacher.delete(`/api/groups/${world.group}/members/${person.id}`)
  // the open line ends at once, and so does the session
  expect(await Promise.race([ended, new Promise((resolve) => setTimeout(() => resolve(false), 3000))])).toBe(
    true,
  )
  expect((await client.get('/api/assignments')).status).toBe(401)
  await client.post('/api/session', { signIn, password: PASSWORD })
  expect((await client.get<unknown[]>('/api/assignments')).body).toEqual([])
  const calls: [string, string, unknown?][] = [
    ['GET', `/api/works/${work}`],
    ['GET', `/api/works/${work}/head`],
    ['GET', `/api/works/${work}/hand-ins`],
    ['GET', `/api/works/${work}/tries`],
    ['GET', `/api/works/${work}/bundle`],
    ['GET', `/api/hand-ins/${handIn.id}`],
    ['GET', `/api/hand-ins/${handIn.id}/bundle`],
    ['PATCH', `/api/works/${work}`, saveOf(2, [point(0, -3)])],
    ['POST', `/api/works/${work}/hand-ins`, { revision: 2 }],
    ['POST', `/api/works/${work}/hints`, { task: 'in', level: 0 }],
    ['PUT', `/api/works/${work}/window`, { window: 'window-1' }],
    ['GET', `/api/assets/${ids['asset']}`],
  ]
  for (const [method, path, sent] of calls)
    expect((await client.call(method, path, sent)).status, `${method} ${path}`).toBe(404)

  const former = await teacher.get<{ former: { id: string }[] }>(`/api/groups/${world.group}`)
  expect(former.body.former.map((f) => f.id)).toContain(person.id)
  expect((await teacher.get(`/api/people/${person.id}/everything`)).status).toBe(200)
  expect((await teacher.post(`/api/people/${person.id}/password`)).status).toBe(200)
  const trail = await teacher.get<{ what: string; whom: string }[]>(`/api/groups/${world.group}/trail`)
  expect(trail.body.filter((t) => t.whom === 'Willi Work').map((t) => t.what)).toEqual([
    'gave a new password',
    'took out of the group',
    'added',
  ])
  expect((await (await world.as('otherTeacher')).post(`/api/people/${person.id}/password`)).status).toBe(404)
  // taken in again, everything is there as it was
  expect((await teacher.post(`/api/groups/${world.group}/former/${person.id}`)).status).toBe(204)
  const card = await teacher.post<{ signIn: string; password: string }>(`/api/people/${person.id}/password`)
  await client.post('/api/session', { signIn, password: card.body.password })
  await client.put('/api/session/password', { password: PASSWORD })
  expect((await client.get<unknown[]>(`/api/works/${work}/hand-ins`)).body).toHaveLength(1)
  expect((await teacher.delete(`/api/people/${person.id}`)).status).toBe(204)
})

it('finds nothing under ids that are made up, whoever asks', async () => {
  for (const name of CALLERS) {
    const client = await world.as(name)
    for (const id of ['00000000-0000-0000-0000-000000000000', "' OR 1=1 --", 'a'.repeat(64)]) {
      for (const kind of ['assignments', 'works', 'hand-ins', 'assets']) {
        const { status } = await client.get(`/api/${kind}/${encodeURIComponent(id)}`)
        expect(status).toBe(name ? 404 : 401)
      }
    }
  }
})
