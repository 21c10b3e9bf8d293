import { setTimeout as wait } from 'node:timers/promises'
import { spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync, statfsSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { point } from '@rudlo/core/envelope'
import { PrivateDatabase } from '../../../scripts/lib/mariadb.mjs'
import { freeRoomAt } from '../src/http/disk'
import { PIECE } from '../src/songbook/uploads'
import { workNow } from '../src/works/documents'
import type { Client, Refused } from './client'
import { openWork, saveOf } from './story'
import { makeWorld, type World } from './world'

const CHUNK = 1024 * 1024
/** Room for a fresh database, what is left free, and a few chunks more. */
const DISK = '360m'

/** A disk of its own in memory, which can be filled to the last byte; only root may make one. */
const folder = mkdtempSync(join(tmpdir(), 'rudlo-full-'))
const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK}`, 'tmpfs', folder]).status === 0
/** What is left is looked at ten times a second. */
const LOOKED_MS = 200
const ballast = join(folder, 'ballast')

/** Fills the disk until so many bytes are left; to the last one for 0. */
function fill(left: number): void {
  const { bavail, bsize } = statfsSync(folder)
  const before = existsSync(ballast) ? statSync(ballast).size : 0
  try {
    writeFileSync(ballast, Buffer.alloc(bavail * bsize - left + (left ? 0 : CHUNK), 7), { flag: 'a' })
  } catch (error) {
    expect([(error as { code?: string }).code, left]).toEqual(['ENOSPC', 0])
  }
  expect(statSync(ballast).size).toBeGreaterThan(before)
}

describe.skipIf(!mounted)('on a disk that is full', () => {
  const database = new PrivateDatabase(folder, { more: 'test\\_%' })
  let world: World
  let anna: Client
  let teacher: Client
  beforeAll(async () => {
    await database.start()
    world = await makeWorld({ connection: database.connection, freeRoom: freeRoomAt(folder) })
    ;[anna, teacher] = await Promise.all([world.as('anna'), world.as('teacher')])
  })
  afterAll(async () => {
    await world.close()
    await database.stop()
    spawnSync('umount', ['-l', folder])
    rmSync(folder, { recursive: true, force: true })
  })

  it('whatever writes is refused with one sentence, nothing acknowledged is lost, and it goes on when there is room', async () => {
    const work = await openWork(world, anna)
    const bytes = 4 * PIECE
    const { body: upload } = await teacher.post<{ id: string }>('/api/uploads', { name: 'a.wav', bytes })
    const send = async (number: number) => {
      const part = Buffer.alloc(PIECE, number + 1)
      const answer = await teacher.raw('POST', `/api/uploads/${upload.id}/chunks/${number}`, {}, part)
      return { status: answer.status, text: await answer.text() }
    }
    const arrived = async () =>
      (await teacher.get<{ chunks: number }>(`/api/uploads/${upload.id}`)).body.chunks
    const save = (revision: number, value: number) =>
      anna.patch<{ revision: number } & Refused>(`/api/works/${work.id}`, saveOf(revision, [point(0, value)]))

    expect((await send(0)).status).toBe(204)
    const { revision } = (await save(work.revision, -3)).body

    for (const left of [40 * CHUNK, 0]) {
      fill(left)
      await wait(LOOKED_MS)
      const refused = await send(1)
      expect(refused.status).toBe(507)
      expect((JSON.parse(refused.text) as Refused).error.message).toBe(
        'The disk of the server is full: nothing was changed. Tell whoever looks after it.',
      )
      const unsaved = await save(revision, -9)
      expect([unsaved.status, unsaved.body.error.code]).toEqual([507, 'disk-full'])
      // reading goes on, and so does coming in
      expect(await arrived()).toBe(1)
      expect((await anna.get(`/api/works/${work.id}`)).status).toBe(200)
      await world.as('ben')
    }
    const kept = await workNow(world.database, work.id)
    expect([kept.revision, kept.document]).toMatchObject([
      revision,
      { mix: { envelopes: [{ points: [point(0, -3)] }] } },
    ])

    rmSync(ballast)
    await wait(LOOKED_MS)
    for (const number of [1, 2, 3]) expect((await send(number)).status).toBe(204)
    expect((await save(revision, -9)).status).toBe(200)
  })
})
