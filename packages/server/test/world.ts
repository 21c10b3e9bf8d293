import type { Role } from '@rudlo/contract/access'
/** A small installation for tests: two groups with their teachers and students, one short song, one assignment. */
import 'reflect-metadata'
import { randomUUID } from 'node:crypto'
import { hash } from '@node-rs/argon2'
import type { Brief } from '@rudlo/core/brief'
import { plainMix, trackLevel, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import type { DataSource } from 'typeorm'
import { inject } from 'vitest'
import { createApp } from '../src/app'
import type { FreeRoom } from '../src/http/disk'
import { logLines } from '../src/http/log'
import { Assignment } from '../src/assignments/entities'
import { dataSource, type DatabaseSettings } from '../src/database/data-source'
import { bringUpToDate } from '../src/database/up-to-date'
import { Group, Membership, Person } from '../src/people/entities'
import { createServices, type Services } from '../src/services'
import { Asset, Song, SongVersionAsset, SongVersionRow } from '../src/songbook/entities'
import { Client } from './client'
import { copyOf, emptyDatabase as emptyOn, type Connection } from './template'

export const PASSWORD = 'quiet harbour'
/** A hash says itself how dear it is to check: this one costs next to nothing, since people sign in hundreds of times here. */
const PASSWORD_HASH = hash(PASSWORD, { memoryCost: 8, timeCost: 1, parallelism: 1 })
export const REED = trackLevel('reed')
const RATE = 44_100
const SECONDS = 4
const WORKERS = new URL('../dist/', import.meta.url)

export const RUBRIC = {
  levels: ['not yet', 'there'],
  criteria: [{ id: 'fades', name: 'Fades', about: 'They reach silence.' }],
}

/** A brief of one task with a check and three hints. */
export const BRIEF: Brief = {
  purpose: 'Fade it in.',
  open: [REED],
  answers: 'played',
  hintsAfter: 0,
  repairs: true,
  tasks: [
    {
      id: 'in',
      title: 'Fade the reed in',
      text: 'It comes out of nothing.',
      lanes: [REED],
      from: 0,
      to: 3840,
      weight: 1,
      hints: ['Listen to the first moment.', 'It takes one bar.', 'Two points.'],
      checks: [
        { id: 'in-1', kind: 'fade in', values: { lane: REED, from: 0, to: 1920, beats: 1, even: 18 } },
      ],
    },
  ],
}

export interface World {
  readonly app: ReturnType<typeof createApp>
  readonly database: DataSource
  /** Where the database is. */
  readonly settings: DatabaseSettings
  readonly services: Services
  readonly log: string[]
  readonly assignment: string
  readonly group: string
  readonly songVersion: string
  readonly anna: string
  readonly ben: string
  readonly song: SongVersion
  readonly mix: Mix
  /** A browser for somebody: signed in by name, or by nobody. */
  as(name: 'anna' | 'ben' | 'cleo' | 'teacher' | 'otherTeacher' | null): Promise<Client>
  close(): Promise<void>
}

/** An empty database on the tests' server. */
export const emptyDatabase = (): Promise<DatabaseSettings> => emptyOn(inject('connection'))

/** A database with all tables and the one recording, made once by each process that tests run in. */
let template: Promise<DatabaseSettings> | undefined

/** A database with all tables and one recording; by all migrations where it is on a server of its own. */
const readyDatabase = async (connection?: Connection): Promise<DatabaseSettings> =>
  connection ? readyOn(connection) : copyOf(await (template ??= readyOn(inject('connection'))))

/** Makes such a database from nothing. */
async function readyOn(connection: Connection): Promise<DatabaseSettings> {
  const settings = await emptyOn(connection)
  const database = await dataSource(settings).initialize()
  await bringUpToDate(database)
  const services = createServices(database, { demo: false, workers: WORKERS, log: logLines(() => {}) })
  await services.assets.keep([samples()])
  await services.close()
  await database.destroy()
  return settings
}

/** Anna and Ben are in the teacher's group, Cleo in the other teacher's. */
export async function makeWorld(
  options: {
    demo?: boolean
    freeRoom?: FreeRoom
    connection?: Connection
    pauses?: readonly number[]
  } = {},
): Promise<World> {
  const settings = await readyDatabase(options.connection)
  const database = await dataSource(settings).initialize()
  const log: string[] = []
  const services = createServices(database, {
    demo: options.demo ?? false,
    workers: WORKERS,
    log: logLines((line) => log.push(line)),
    ...(options.pauses ? { pauses: options.pauses } : {}),
  })
  const app = createApp(services, {
    log: logLines((line) => log.push(line)),
    ...(options.freeRoom ? { freeRoom: options.freeRoom } : {}),
  })
  const song = await shortSong(database)
  const songVersionId = await insertSong(database, song)
  const passwordHash = await PASSWORD_HASH
  const people = {
    teacher: await person(database, 'teacher', 'teacher', passwordHash),
    otherTeacher: await person(database, 'otherTeacher', 'teacher', passwordHash),
    anna: await person(database, 'anna', 'student', passwordHash),
    ben: await person(database, 'ben', 'student', passwordHash),
    cleo: await person(database, 'cleo', 'student', passwordHash),
  }
  const groupId = await group(database, { teacher: [people.teacher], student: [people.anna, people.ben] })
  await group(database, { teacher: [people.otherTeacher], student: [people.cleo] })
  const mix: Mix = {
    ...plainMix(song),
    envelopes: [{ id: 'line-1', address: REED, on: true, open: true, points: [] }],
  }
  const assignment = randomUUID()
  await database.getRepository(Assignment).insert({
    id: assignment,
    groupId,
    songVersionId,
    title: 'A fade',
    brief: JSON.stringify(BRIEF),
    startingMix: JSON.stringify(mix),
    rubric: JSON.stringify(RUBRIC),
    dueAt: null,
    createdAt: new Date(),
  })
  return {
    app,
    database,
    settings,
    services,
    log,
    assignment,
    group: groupId,
    songVersion: songVersionId,
    anna: people.anna,
    ben: people.ben,
    song,
    mix,
    as: async (name) => {
      const client = new Client(app)
      if (name) await client.post('/api/session', { signIn: name.toLowerCase(), password: PASSWORD })
      return client
    },
    close: async () => {
      await services.close()
      await database.destroy()
    },
  }
}

const samples = () =>
  new Int16Array(SECONDS * RATE).map((_, n) => 9000 * Math.sin(n * 0.05) + ((n * 7919) % 1000))

/** A song of the one recording. */
async function shortSong(database: DataSource): Promise<SongVersion> {
  const { id: asset, frames } = await database.getRepository(Asset).findOneOrFail({ where: {} })
  return {
    format: 'rudlo-song',
    version: 1,
    title: 'Short',
    length: SECONDS * 1920,
    tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
    meter: [{ tick: 0, beats: 4, unit: 4 }],
    sections: [{ id: 'all', letter: 'A', name: 'All', tick: 0 }],
    tracks: [{ id: 'reed', name: 'Reed', role: 'lead', channels: 1 }],
    regions: [{ id: 'r1', track: 'reed', asset, start: 0, offset: 0, length: frames }],
    assets: [{ id: asset, channels: 1, frames }],
  }
}

async function insertSong(database: DataSource, song: SongVersion): Promise<string> {
  const songId = randomUUID()
  const id = randomUUID()
  await database.getRepository(Song).insert({ id: songId, title: song.title })
  await database
    .getRepository(SongVersionRow)
    .insert({ id, songId, number: 1, document: JSON.stringify(song) })
  for (const { id: assetId } of song.assets) {
    await database.getRepository(SongVersionAsset).insert({ songVersionId: id, assetId })
  }
  return id
}

async function person(database: DataSource, name: string, role: Role, passwordHash: string): Promise<string> {
  const id = randomUUID()
  await database.getRepository(Person).insert({
    id,
    name: `Person ${name}`,
    signIn: name.toLowerCase(),
    role,
    passwordHash,
    mustChange: false,
  })
  return id
}

async function group(database: DataSource, members: Record<Role, readonly string[]>): Promise<string> {
  const groupId = randomUUID()
  await database.getRepository(Group).insert({
    id: groupId,
    name: 'Group',
    place: 'Room',
    joinCode: groupId.slice(0, 8).toUpperCase(),
    joinOpen: true,
    keepUntil: null,
  })
  for (const role of ['teacher', 'student'] as const) {
    for (const personId of members[role])
      await database.getRepository(Membership).insert({ groupId, personId, role })
  }
  return groupId
}
