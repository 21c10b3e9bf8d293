/** Steps that several tests take through the routes. */
import { randomUUID } from 'node:crypto'
import type { Points } from '@rudlo/core/envelope'
import type { WorkDocument } from '@rudlo/core/mix'
import type { World } from './world'
import type { Client } from './client'

export interface WorkAnswer {
  readonly id: string
  readonly revision: number
  readonly document: WorkDocument
}

export interface HandInAnswer {
  readonly id: string
  readonly number: number
  readonly state: string
  readonly outcome: string | null
  readonly measurement: {
    readonly integrated: number | null
    readonly truePeak: number
    readonly moves: { kind: string }[]
  } | null
  readonly review: {
    readonly comment: string
    readonly marks: Record<string, number>
    readonly revision: number
    readonly remarks: { id: string; text: string }[]
  } | null
}

export const openWork = async ({ assignment }: World, client: Client) =>
  (await client.post<WorkAnswer>(`/api/assignments/${assignment}/work`)).body

/** A save that sets the points of the first line. */
export const saveOf = (revision: number, points: Points, save: string = randomUUID()) => ({
  revision,
  save,
  patch: [{ op: 'replace', path: '/mix/envelopes/0/points', value: points }],
  commands: [
    {
      label: 'Drew',
      lanes: ['track/reed/level'],
      from: 0,
      to: 960,
      how: 'hand',
      at: new Date().toISOString(),
    },
  ],
})

/** Opens a work, draws a fade in, hands it in and waits until it is measured. */
export async function handedIn(
  world: World,
  client: Client,
  points: Points,
  words: { readonly said?: string; readonly writing?: readonly string[] } = {},
): Promise<{ work: string; handIn: HandInAnswer }> {
  const { id, revision } = await openWork(world, client)
  const saved = await client.patch<{ revision: number }>(`/api/works/${id}`, saveOf(revision, points))
  const { body } = await client.post<HandInAnswer>(`/api/works/${id}/hand-ins`, {
    revision: saved.body.revision,
    ...words,
  })
  await world.services.measuring.settled()
  const versions = await client.get<HandInAnswer[]>(`/api/works/${id}/hand-ins`)
  return { work: id, handIn: versions.body.find((v) => v.id === body.id)! }
}

/** A spoken remark as it is sent: a thousand bytes that begin as WebM does. */
export const spokenBody = (more: object = {}) => ({
  id: randomUUID(),
  lane: null,
  from: 0,
  to: 960,
  text: '',
  audio: Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), Buffer.alloc(1000, 7)]).toString('base64'),
  ms: 4000,
  wave: [],
  ...more,
})
