import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import type { Client, Refused } from './client'
import { handedIn, spokenBody, type HandInAnswer } from './story'
import { makeWorld, REED, type World } from './world'

interface Spoken {
  readonly id: string
  readonly text: string
  readonly spoken: { ms: number; wave: number[] } | null
}

let world: World
let [anna, ben, teacher]: Client[] = []
let handIn: HandInAnswer
beforeAll(async () => {
  world = await makeWorld()
  ;[anna, ben, teacher] = await Promise.all([world.as('anna'), world.as('ben'), world.as('teacher')])
  ;({ handIn } = await handedIn(world, anna!, [point(0, -90), point(1920, -6)]))
})
afterAll(() => world.close())

const speak = (body: object = {}) =>
  teacher!.post<Spoken & Refused>(`/api/hand-ins/${handIn.id}/spoken`, spokenBody(body))
const bytesOf = async (who: Client, remark: string) => {
  const answer = await who.raw('GET', `/api/hand-ins/${handIn.id}/remarks/${remark}/spoken`)
  return {
    status: answer.status,
    type: answer.headers.get('content-type'),
    size: (await answer.arrayBuffer()).byteLength,
  }
}

describe('a spoken remark', () => {
  it('is kept with its length and its waveform, needs no text, and comes back byte for byte', async () => {
    const { status, body } = await speak({ lane: REED, wave: [0, 50, 100] })
    expect([status, body.text, body.spoken]).toEqual([200, '', { ms: 4000, wave: [0, 50, 100] }])
    expect(await bytesOf(teacher!, body.id)).toEqual({ status: 200, type: 'audio/webm', size: 1004 })
    const { remarks } = (await teacher!.get<HandInAnswer>(`/api/hand-ins/${handIn.id}`)).body.review!
    expect(remarks.find((r) => r.id === body.id)).toMatchObject({ spoken: { ms: 4000, wave: [0, 50, 100] } })
  })

  it('that is sent twice is kept once', async () => {
    const sent = spokenBody()
    const path = `/api/hand-ins/${handIn.id}/spoken`
    const [first, again] = [await teacher!.post<Spoken>(path, sent), await teacher!.post<Spoken>(path, sent)]
    expect([first.status, again.status, again.body.id]).toEqual([200, 200, sent.id])
    const { remarks } = (await teacher!.get<HandInAnswer>(`/api/hand-ins/${handIn.id}`)).body.review!
    expect(remarks.filter((r) => r.id === sent.id)).toHaveLength(1)
  })

  it('is heard by those who may read it: its student once it is back, a classmate never', async () => {
    const { body } = await speak()
    expect((await bytesOf(anna!, body.id)).status).toBe(404)
    await teacher!.post(`/api/hand-ins/${handIn.id}/give-back`, { outcome: 'again' })
    expect((await bytesOf(anna!, body.id)).status).toBe(200)
    expect((await bytesOf(ben!, body.id)).status).toBe(404)
  })

  it('goes with its remark', async () => {
    const { body } = await speak()
    await teacher!.delete(`/api/hand-ins/${handIn.id}/remarks/${body.id}`)
    expect((await bytesOf(teacher!, body.id)).status).toBe(404)
  })

  it.each([
    [
      'what is no recording',
      { audio: Buffer.from('MZ this is a program').toString('base64') },
      /no recording/,
    ],
    ['nothing', { audio: '' }, /no recording/],
    ['more than 90 seconds', { ms: 120_000 }, /90 seconds/],
    ['more than 512 kB', { audio: Buffer.alloc(520 * 1024, 1).toString('base64') }, /512 kB/],
    ['a lane that is not there', { lane: 'track/nobody/level' }, /no such lane/],
  ])('of %s is refused with one sentence', async (_, body, sentence) => {
    const { status, body: said } = await speak(body)
    expect([status >= 400 && status < 500, said.error.message]).toEqual([
      true,
      expect.stringMatching(sentence),
    ])
  })
})
