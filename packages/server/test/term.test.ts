import { point, type Points } from '@rudlo/core/envelope'
import { readAssessment, readKeptBrief } from '@rudlo/core/stored'
import { overruled, refOfCheck } from '@rudlo/core/brief'
import type { StudentTerm, TaskStrips, TermView, TodayView } from '@rudlo/contract/term'
import type { GradesView } from '@rudlo/contract/grades'
import { strFromU8, unzipSync } from 'fflate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Assignment } from '../src/assignments/entities'
import { HandIn } from '../src/handins/entities'
import { worksSql } from '../src/term/queries'
import type { Client } from './client'
import { handedIn, openWork, saveOf } from './story'
import { makeWorld, RUBRIC, type World } from './world'

let world: World
let teacher: Client
let anna: Client
let ben: Client
let first: string

const FADE: Points = [point(0, -90), point(1920, 0)]
const CUT: Points = [point(0, -20), point(1920, 0)]
const HOUR = 3_600_000
const DAY = 24 * HOUR

/** Works and hand-ins of two thousand others, for an assignment of another class. */
async function crowd({ database, songVersion }: World): Promise<void> {
  const id = (kind: string) => `CONCAT('${kind}-', LPAD(seq, 30, '0'))`
  await database.query(
    `INSERT INTO assignments (id, group_id, song_version_id, title, brief, starting_mix, rubric, revision, model_heard, draft, created_at)
     SELECT 'crowd', (SELECT id FROM class_groups WHERE id <> group_id LIMIT 1), song_version_id, 'Other', brief, starting_mix, rubric, 1, model_heard, 0, created_at FROM assignments LIMIT 1`,
  )
  await database.query(
    `INSERT INTO people (id, name, sign_in, password_hash, role)
     SELECT ${id('p')}, seq, CONCAT('crowd', seq), 'x', 'student' FROM seq_1_to_2000`,
  )
  await database.query(
    `INSERT INTO works (id, assignment_id, person_id, revision, document, updated_at)
     SELECT ${id('w')}, 'crowd', ${id('p')}, 2, '{}', NOW() FROM seq_1_to_2000`,
  )
  await database.query(
    `INSERT INTO hand_ins (id, work_id, number, song_version_id, revision, document, state, handed_in_at)
     SELECT ${id('h')}, ${id('w')}, 1, ?, 2, '{}', 'waiting', NOW() FROM seq_1_to_2000`,
    [songVersion],
  )
  for (const table of ['works', 'hand_ins']) await database.query(`ANALYZE TABLE ${table}`)
}

const term = async () => (await teacher.get<TermView>(`/api/groups/${world.group}/term`)).body
const cellOf = (view: TermView, student: string) => view.cells.find((c) => c.student === student)!
const due = (at: number) =>
  world.database.getRepository(Assignment).update(world.assignment, { dueAt: new Date(at) })

beforeAll(async () => {
  world = await makeWorld()
  teacher = await world.as('teacher')
  anna = await world.as('anna')
  ben = await world.as('ben')
})
afterAll(() => world.close())

describe('a class over a term', () => {
  it('shows who has not begun, who is at it, and who missed the date', async () => {
    await due(Date.now() + DAY)
    expect((await term()).cells.map((c) => c.state)).toEqual(['not begun', 'not begun'])
    const work = await openWork(world, ben)
    await ben.patch(`/api/works/${work.id}`, saveOf(work.revision, CUT))
    expect(cellOf(await term(), world.ben)).toMatchObject({ state: 'begun', missing: false })
    await due(Date.now() - HOUR)
    const view = await term()
    expect(cellOf(view, world.anna)).toMatchObject({ state: 'not begun', missing: true, handIn: null })
    expect(cellOf(view, world.ben)).toMatchObject({ state: 'begun', missing: true })
    expect(view.students.find((s) => s.id === world.anna)!.help).toBe(3)
  })

  it('shows how late something came, and a date of one’s own', async () => {
    ;({
      handIn: { id: first },
    } = await handedIn(world, anna, FADE))
    const cell = cellOf(await term(), world.anna)
    expect(cell.late).toBeGreaterThan(0.9)
    expect(cell.late).toBeLessThan(1.2)
    expect(cell).toMatchObject({
      state: 'waiting',
      handIn: first,
      number: 1,
      missing: false,
      extended: false,
    })
    const until = new Date(Date.now() + DAY).toISOString()
    const answer = await teacher.post<{ count: number }>(`/api/assignments/${world.assignment}/extension`, {
      students: [world.anna, world.ben, 'nobody'],
      dueAt: until,
    })
    expect(answer.body.count).toBe(2)
    const view = await term()
    expect(cellOf(view, world.anna)).toMatchObject({ late: 0, extended: true, dueAt: until })
    expect(cellOf(view, world.ben)).toMatchObject({ missing: false, extended: true })
    // the student sees the own date, too
    const { body } = await ben.get<{ dueAt: string }[]>('/api/assignments')
    expect(body[0]!.dueAt).toBe(until)
    await teacher.post(`/api/assignments/${world.assignment}/extension`, {
      students: [world.ben],
      dueAt: null,
    })
    expect(cellOf(await term(), world.ben)).toMatchObject({ missing: true, extended: false })
  })

  it('has every number as a second computation from the documents has it', async () => {
    await handedIn(world, ben, CUT)
    const view = await term()
    const rows = await world.database.getRepository(HandIn).find()
    const { tasks } = readKeptBrief(
      (await world.database.getRepository(Assignment).findOneByOrFail({ id: world.assignment })).brief,
    )
    const kinds = new Map<string, Set<string>>()
    for (const cell of view.cells) {
      const document = rows.find((r) => r.id === cell.handIn)!
      const found = readAssessment(document.assessment!)
      expect(cell.tasks).toEqual(tasks.map((t) => found.tasks.find((x) => x.task === t.id)!.verdict))
      for (const { kind } of found.mistakes) kinds.set(kind, (kinds.get(kind) ?? new Set()).add(cell.student))
    }
    expect(Object.fromEntries(view.mistakes.map((m) => [m.kind, m.students]))).toEqual(
      Object.fromEntries([...kinds].map(([kind, who]) => [kind, who.size])),
    )
    const { body } = await teacher.get<TaskStrips>(`/api/assignments/${world.assignment}/tasks/in/strips`)
    const begins = body.strips.find((s) => s.name === 'begins')
    for (const value of begins?.values ?? []) {
      const document = rows.find((r) => r.id === value.handIn)!
      const figure = readAssessment(document.assessment!).tasks[0]!.checks[0]!.finding.figures.find(
        (f) => f.name === 'begins',
      )!
      expect(figure.value).toEqual({ at: value.value })
    }
    expect(cellOf(view, world.anna).tasks).toEqual(['met'])
    expect(cellOf(view, world.ben).tasks).toEqual(['not yet'])
  })

  it('follows the teacher’s word', async () => {
    const [before] = (await term()).cells.filter((c) => c.student === world.ben)
    await teacher.call('PUT', `/api/hand-ins/${before!.handIn}/review`, {
      marks: { fades: 0 },
      comment: '',
      overrules: { [refOfCheck({ check: 'in-1' })]: { verdict: 'met', why: 'I hear it.' } },
      revision: 0,
    })
    const cell = cellOf(await term(), world.ben)
    expect(cell.tasks).toEqual(['met'])
    const row = await world.database.getRepository(HandIn).findOneByOrFail({ id: cell.handIn! })
    const stands = overruled(readAssessment(row.assessment!), {
      [refOfCheck({ check: 'in-1' })]: { verdict: 'met', why: '' },
    })
    expect(cell.tasks).toEqual(stands.tasks.map((t) => t.verdict))
  })

  it('is asked of the database by its keys alone', async () => {
    // a plan is chosen by how much there is: two thousand of another class
    await crowd(world)
    const plan: { table: string; type: string; key: string | null }[] = await world.database.query(
      `EXPLAIN ${worksSql([world.assignment])}`,
      [world.assignment],
    )
    for (const { table, type, key } of plan)
      expect(type !== 'ALL' && key !== null, `${table}: ${type}, ${key}`).toBe(true)
  })
})

describe('a teacher’s day', () => {
  it('has what waits, the oldest first, what is due and who is missing, for the own classes alone', async () => {
    const { body } = await teacher.get<TodayView>('/api/today')
    expect(body.waiting.map((w) => [w.student, w.isNew])).toEqual([
      ['Person anna', true],
      ['Person ben', true],
    ])
    expect(body.waiting[0]!.handedInAt <= body.waiting[1]!.handedInAt).toBe(true)
    expect(body.due).toMatchObject([{ students: 2, handedIn: 2, missing: [], notBegun: [], stopped: [] }])
    const other = await world.as('otherTeacher')
    expect((await other.get<TodayView>('/api/today')).body).toMatchObject({ waiting: [], due: [], hands: [] })
  })

  it('has hands that are up, and not those of benches that closed long ago', async () => {
    const here = `/api/assignments/${world.assignment}/presence`
    await ben.call('PUT', here, { task: 'in', acted: true, help: true, shows: false })
    const hands = async () =>
      (await teacher.get<TodayView>('/api/today')).body.hands.map((h) => h.student.name)
    expect(await hands()).toEqual(['Person ben'])
    await world.database.query('UPDATE presences SET seen_at = ?', [new Date(Date.now() - HOUR)])
    expect(await hands()).toEqual([])
  })
})

describe('small groups for the next lesson', () => {
  const at = () => `/api/groups/${world.group}/small-groups`

  it('hold students of the class alone, and stand on the first page', async () => {
    await teacher.post(at(), { title: 'Fades once more', students: [world.anna, world.ben, 'nobody'] })
    const [small] = (await term()).smallGroups
    expect(small).toMatchObject({ title: 'Fades once more', students: [world.anna, world.ben] })
    const today = (await teacher.get<TodayView>('/api/today')).body
    expect(today.groups[0]!.smallGroups[0]).toMatchObject({
      title: 'Fades once more',
      students: [{ id: world.anna }, { id: world.ben }],
    })
    expect((await teacher.delete(`${at()}/${small!.id}`)).status).toBe(204)
    expect((await term()).smallGroups).toEqual([])
  })

  it('say what they are for, and have somebody of the class', async () => {
    const wrong = async (body: object) =>
      (await teacher.post<{ error: { message: string } }>(at(), body)).body.error.message
    expect(await wrong({ title: ' ', students: [world.anna] })).toContain('Say what they do together')
    expect(await wrong({ title: 'Fades', students: ['nobody'] })).toContain('None of these students')
  })
})

describe('one student', () => {
  it('sees what came back and nothing of what is held, and never the notes', async () => {
    const path = `/api/groups/${world.group}/students/${world.anna}`
    const note = { text: 'Listens well.', revision: 0 }
    expect((await teacher.call('PUT', `${path}/notes`, note)).status).toBe(200)
    expect((await teacher.call('PUT', `${path}/notes`, note)).status).toBe(409)
    await teacher.post(`/api/hand-ins/${first}/give-back`, { outcome: 'accepted', hold: true })
    const own = async () => (await anna.get<StudentTerm[]>('/api/term')).body[0]!
    expect((await own()).assignments[0]).toMatchObject({
      state: 'waiting',
      handIn: null,
      // what is not back is no best one either
      best: null,
      marks: [],
    })
    expect(JSON.stringify(await own())).not.toContain('Listens well.')
    const seen = (await teacher.get<StudentTerm>(`${path}/term`)).body
    expect(seen).toMatchObject({ notes: { text: 'Listens well.', revision: 1 } })
    expect(seen.assignments[0]).toMatchObject({ state: 'held', handIn: first, tasks: [{ verdict: 'met' }] })
    expect(seen.weeks.minutes.reduce((a, b) => a + b, 0)).toBe(seen.assignments[0]!.minutes)
    expect(seen.assignments[0]!.minutes).toBe(1)
    await teacher.post(`/api/assignments/${world.assignment}/give-back`, {})
    expect((await own()).assignments[0]).toMatchObject({
      state: 'accepted',
      handIn: first,
      best: { handIn: first, number: 1 },
    })
  })

  it('is shown to the class only where they allow it, and without a name', async () => {
    const best = async () =>
      (await teacher.get<object[]>(`/api/assignments/${world.assignment}/best/fades`)).body
    const review = { marks: { fades: 1 }, comment: '', revision: 0 }
    await teacher.call('PUT', `/api/hand-ins/${first}/review`, review)
    expect(await best()).toEqual([])
    const allow = (shares: boolean) => anna.call('PUT', '/api/term/sharing', { group: world.group, shares })
    expect((await allow(true)).status).toBe(204)
    expect(await best()).toEqual([{ handIn: first, level: 1 }])
    await allow(false)
    expect(await best()).toEqual([])
  })
})

describe('marks of a class', () => {
  const grades = async () => (await teacher.get<GradesView>(`/api/groups/${world.group}/grades`)).body
  const of = (view: GradesView, student: string) => view.students.find((s) => s.student === student)!

  it('are those of the newest versions, in the school’s own scale', async () => {
    const before = await grades()
    expect(before.scheme.scale).toEqual({ kind: 'levels', levels: RUBRIC.levels })
    expect(of(before, world.anna).rule).toBe(1)
    expect(of(before, world.ben).rule).toBe(0)
    const scheme = { scale: { kind: 'points', most: 15 }, weights: {}, drop: 0, missing: 'nothing' }
    const path = `/api/groups/${world.group}/grades`
    expect((await teacher.call('PUT', path, { scheme, revision: 0 })).status).toBe(200)
    expect((await teacher.call('PUT', path, { scheme, revision: 0 })).status).toBe(409)
    expect((await teacher.call('PUT', path, { scheme: { scale: { kind: 'x' } }, revision: 1 })).status).toBe(
      400,
    )
    expect((await grades()).scheme).toEqual(scheme)
  })

  it('keep what they were before, and who changed them', async () => {
    const review = (marks: object, revision: number) =>
      teacher.call('PUT', `/api/hand-ins/${first}/review`, { marks, comment: '', revision })
    await review({ fades: 0 }, 1)
    await review({}, 2)
    await review({ fades: 1 }, 3)
    const cell = (await grades()).cells.find((c) => c.student === world.anna)!
    expect(cell.changes.map((c) => [c.was, c.became, c.by])).toEqual([
      ['there', 'not yet', 'Person teacher'],
      ['not yet', '', 'Person teacher'],
    ])
  })

  it('are given by hand with a reason, and by the rule again', async () => {
    const path = `/api/groups/${world.group}/grades/${world.ben}`
    expect((await teacher.call('PUT', path, { share: 0.8, reason: ' ' })).status).toBe(400)
    await teacher.call('PUT', path, { share: 0.8, reason: 'Played it live.' })
    await teacher.call('PUT', path, { share: null, reason: '' })
    const { byHand, rule } = of(await grades(), world.ben)
    expect(byHand.map((o) => [o.share, o.reason])).toEqual([
      [null, ''],
      [0.8, 'Played it live.'],
    ])
    expect(rule).toBe(0)
  })

  it('leave out what is excused', async () => {
    const path = `/api/assignments/${world.assignment}/excused/${world.ben}`
    await teacher.call('PUT', path, { excused: true, reason: 'Was ill' })
    const view = await grades()
    expect(view.cells.find((c) => c.student === world.ben)).toMatchObject({ excused: 'Was ill' })
    expect(of(view, world.ben).rule).toBeNull()
    await teacher.call('PUT', path, { excused: false, reason: '' })
    expect(of(await grades(), world.ben).rule).toBe(0)
  })

  it('are files for a spreadsheet and for a school’s system, with a row for everybody', async () => {
    const csv = await (await teacher.raw('GET', `/api/groups/${world.group}/grades.csv`)).text()
    const lines = csv.trim().split('\r\n')
    expect(lines[0]).toContain('A fade,A fade (%),A fade: Fades,Overall,Overall (%),Reason')
    expect(lines[1]).toMatch(/^Due,\d{4}-\d\d-\d\d \d\d:\d\d/)
    expect(lines.slice(2).map((l) => l.split(',').slice(0, 3))).toEqual([
      ['Person anna', '15', '100'],
      ['Person ben', '0', '0'],
    ])
    const zip = await (await teacher.raw('GET', `/api/groups/${world.group}/results.zip`)).arrayBuffer()
    const files = unzipSync(new Uint8Array(zip))
    expect(Object.keys(files)).toContain('lineItems.csv')
    const results = strFromU8(files['results.csv']!).trim().split('\r\n')
    // both students, for the assignment and overall
    expect(results).toHaveLength(5)
    expect(results.filter((r) => r.includes(',anna,'))).toHaveLength(2)
  })
})
