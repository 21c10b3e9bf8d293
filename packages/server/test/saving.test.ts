import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import { WorkCommand } from '../src/works/entities'
import type { Client, Refused } from './client'
import { openWork, saveOf, type WorkAnswer } from './story'
import { makeWorld, type World } from './world'

let world: World
let client: Client
let work: WorkAnswer
beforeAll(async () => {
  world = await makeWorld()
  client = await world.as('anna')
})
beforeEach(async () => void (work = await openWork(world, client)))
afterAll(() => world.close())

const stored = async () => (await client.get<WorkAnswer>(`/api/works/${work.id}`)).body
const save = <T = { revision: number }>(body: unknown) => client.patch<T>(`/api/works/${work.id}`, body)
const FADE = [point(0, -90), point(1920, -6)]

describe('a work', () => {
  it('begins as the starting mix, once for each student', async () => {
    expect(work.document).toEqual({ mix: world.mix, notes: [] })
    const again = await Promise.all([openWork(world, client), openWork(world, client)])
    expect(again.map((w) => w.id)).toEqual([work.id, work.id])
    const ben = await openWork(world, await world.as('ben'))
    expect(ben.id).not.toBe(work.id)
  })
})

describe('saving', () => {
  it('makes the next revision, with the commands that led there', async () => {
    const { revision } = (await save(saveOf(work.revision, FADE))).body
    expect(revision).toBe(work.revision + 1)
    const now = await stored()
    expect(now).toMatchObject({ revision, document: { mix: { envelopes: [{ points: FADE }] } } })
    const commands = await world.database.getRepository(WorkCommand).findBy({ workId: work.id, revision })
    expect(commands).toMatchObject([{ label: 'Drew', how: 'hand', fromTick: 0, toTick: 960 }])
  })

  it('knows a save that is sent again after its answer was lost', async () => {
    const request = saveOf(work.revision, [point(5, -3)])
    const first = await save(request)
    expect((await save(request)).body).toEqual(first.body)
    expect((await stored()).revision).toBe(work.revision + 1)
  })

  it('answers an old revision with the newest, and changes nothing', async () => {
    const { revision } = (await save(saveOf(work.revision, FADE))).body
    const late = await save<Refused>(saveOf(work.revision, [point(0, 0)]))
    expect(late.status).toBe(409)
    expect(late.body.error.newest).toMatchObject({
      revision,
      document: { mix: { envelopes: [{ points: FADE }] } },
    })
    expect((await stored()).revision).toBe(revision)
  })

  it('lets one of two saves at once win', async () => {
    const answers = await Promise.all([
      save(saveOf(work.revision, FADE)),
      save(saveOf(work.revision, [point(0, -1)])),
    ])
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409])
  })

  const points = '/mix/envelopes/0/points'
  it.each<[string, unknown[], number, RegExp]>([
    [
      'points out of order',
      [{ op: 'replace', path: points, value: [point(9, 0), point(9, 0)] }],
      400,
      /point 2 is not after/,
    ],
    ['NaN', [{ op: 'replace', path: points, value: [point(0, NaN)] }], 400, /points › 0 › value/],
    ['a value out of range', [{ op: 'replace', path: points, value: [point(0, 99)] }], 400, /outside/],
    [
      '5,001 points',
      [{ op: 'replace', path: points, value: Array.from({ length: 5001 }, (_, i) => point(i, 0)) }],
      400,
      /5000/,
    ],
    ['a broken schema', [{ op: 'remove', path: '/mix/tracks/0/level' }], 400, /level/],
    [
      'a path that is not there',
      [{ op: 'replace', path: '/mix/nothing/here', value: 1 }],
      400,
      /Change 1 of the patch/,
    ],
    ['an operation there is not', [{ op: 'shuffle', path: points }], 400, /Change 1 of the patch/],
    ['no operation at all', [5], 400, /Change 1 of the patch/],
    [
      'a reach for the prototype',
      [{ op: 'add', path: '/__proto__/polluted', value: 1 }],
      400,
      /patch|polluted/,
    ],
    ['3 MiB', [{ op: 'add', path: '/notes/0', value: 'x'.repeat(3 * 1024 * 1024) }], 413, /KiB/],
  ])('refuses %s with one sentence, and stores nothing', async (_, patch, status, sentence) => {
    const before = await stored()
    const answer = await save<Refused>({ ...saveOf(work.revision, FADE), patch })
    expect(answer.status).toBe(status)
    expect(answer.body.error.message).toMatch(sentence)
    expect(await stored()).toEqual(before)
    expect(Object.prototype).not.toHaveProperty('polluted')
  })

  it('refuses a mix of over 2 MiB though each note fits', async () => {
    const note = (i: number) => ({ id: `n${i}`, tick: 0, text: '🎵'.repeat(490), done: false })
    const notes = Array.from({ length: 500 }, (_, i) => note(i))
    const envelope = (i: number) => ({
      id: `e${i}`,
      address: 'x'.repeat(160),
      on: true,
      open: true,
      points: [],
    })
    const patch = [
      { op: 'replace', path: '/notes', value: notes },
      { op: 'replace', path: '/mix/envelopes', value: Array.from({ length: 129 }, (_, i) => envelope(i)) },
    ]
    const answer = await save<Refused>({ ...saveOf(work.revision, FADE), patch })
    expect(answer.status).toBe(400)
    expect(answer.body.error.message).toMatch(/envelopes.*128/)
  })

  it.each([
    [{ revision: 'one' }, /revision/],
    [{ patch: 'all' }, /patch must be a list/],
    [{ commands: [{ label: '' }] }, /Command 1/],
    [{ save: 'x' }, /save/],
  ])('refuses a save with %j', async (wrong, sentence) => {
    const answer = await save<Refused>({ ...saveOf(work.revision, FADE), ...wrong })
    expect(answer.status).toBe(400)
    expect(answer.body.error.message).toMatch(sentence)
  })
})

describe('tries and windows', () => {
  it('keeps a whole alternative under a name, if it is sound', async () => {
    const document = { mix: world.mix, notes: [] }
    expect((await client.post(`/api/works/${work.id}/tries`, { name: 'Softer', document })).status).toBe(200)
    expect((await client.get(`/api/works/${work.id}/tries`)).body).toMatchObject([
      { name: 'Softer', document },
    ])
    const bad = await client.post<Refused>(`/api/works/${work.id}/tries`, {
      name: 'Bad',
      document: { mix: {}, notes: [] },
    })
    expect(bad.status).toBe(400)
  })

  it('says which window has the work', async () => {
    await client.put(`/api/works/${work.id}/window`, { window: 'second-window' })
    expect((await client.get(`/api/works/${work.id}/head`)).body).toMatchObject({ window: 'second-window' })
  })
})
