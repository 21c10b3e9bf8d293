import type { Role } from '@rudlo/contract/access'
import { randomUUID } from 'node:crypto'
import { plainMix, type Mix, type WorkDocument } from '@rudlo/core/mix'
import { readBrief } from '@rudlo/core/brief'
import { readKeptBrief, readWork } from '@rudlo/core/stored'
import { usualRemarks } from '@rudlo/core/remarks'
import type { SongVersion } from '@rudlo/core/song'
import { checkWork } from '@rudlo/core/validate'
import {
  CLASSES,
  DEMO_PASSWORD,
  faster,
  madeOf,
  SONGS,
  songVersionOf,
  STUDENTS,
  TEACHER,
  type PlannedAssignment,
  type PlannedClass,
  type PlannedHandIn,
  type PlannedWork,
  type Score,
  type StudentName,
} from '@rudlo/demo'
import { In, type DataSource, type EntityManager } from 'typeorm'
import { hashPassword } from '../access/passwords'
import { Setting } from '../access/entities'
import { Assignment } from '../assignments/entities'
import { ExcusedWork } from '../grades/entities'
import { HandIn } from '../handins/entities'
import { sameness } from '../handins/service'
import { WorkerPool } from '../jobs/worker-pool'
import { Group, Membership, Person } from '../people/entities'
import { BankRemarkRow, Remark, Review } from '../reviews/entities'
import type { Services } from '../services'
import { Song, SongVersionAsset, SongVersionRow } from '../songbook/entities'
import { StudentNote } from '../term/entities'
import { OpenedHint, Work, WorkCommand } from '../works/entities'
import type { PartTask } from './song-worker'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
const DAY = 24 * HOUR

/** How much of the demo there is: its first classes, and how many times as fast its songs are played. */
export interface DemoExtent {
  readonly classes?: number | undefined
  readonly pace?: number
}

/** Fills an empty installation with the demo scenario, in one transaction after the audio is kept. */
export async function seedDemo(
  services: Services,
  tell: (step: string) => void,
  { classes = CLASSES.length, pace = 1 }: DemoExtent = {},
): Promise<void> {
  const songs = await demoSongs(services, tell, pace)
  tell('preparing two classes')
  const passwordHash = await hashPassword(DEMO_PASSWORD)
  await services.database.transaction(async (manager) => {
    const teacher = await person(manager, TEACHER, 'teacher', passwordHash)
    await manager.insert(
      BankRemarkRow,
      usualRemarks().map((usual, i) => ({
        ...usual,
        id: randomUUID(),
        personId: teacher,
        createdAt: new Date(Date.now() + i),
      })),
    )
    const versions = new Map<Score, string>()
    for (const [score, song] of songs) versions.set(score, await keepSong(manager, song, teacher))
    // in the same transaction: a demo that is there is known to be one
    await manager.save(Setting, { name: 'kind', value: 'demo' })
    for (const planned of CLASSES.slice(0, classes))
      await keepClass(manager, planned, { teacher, passwordHash, songs, versions })
  })
}

/** A class with its students, and everything of its term. */
async function keepClass(
  manager: EntityManager,
  { group, students: members, term, notes, shares }: PlannedClass,
  {
    teacher,
    passwordHash,
    songs,
    versions,
  }: {
    readonly teacher: string
    readonly passwordHash: string
    readonly songs: ReadonlyMap<Score, SongVersion>
    readonly versions: ReadonlyMap<Score, string>
  },
): Promise<void> {
  const students = new Map<StudentName, string>()
  for (const s of members) students.set(s.signIn, await person(manager, s, 'student', passwordHash))
  const groupId = randomUUID()
  await manager.insert(Group, { id: groupId, ...group, joinOpen: true, keepUntil: null })
  await manager.insert(Membership, { groupId, personId: teacher, role: 'teacher' })
  for (const [name, personId] of students)
    await manager.insert(Membership, { groupId, personId, role: 'student', shares: shares.includes(name) })
  for (const planned of term) {
    const desk = await assign(manager, planned, {
      song: songs.get(planned.score)!,
      teacher,
      groupId,
      songVersionId: versions.get(planned.score)!,
    })
    for (const version of planned.handIns) await handIn(desk, students.get(version.student)!, version)
    for (const begun of planned.begun)
      await work(desk, students.get(begun.student)!, begun, ago(begun.hoursAgo ?? 0))
    for (const { student, reason } of planned.excused ?? [])
      await manager.insert(ExcusedWork, {
        assignmentId: desk.assignmentId,
        personId: students.get(student)!,
        reason,
        authorId: teacher,
        at: new Date(),
      })
  }
  for (const { student, text } of notes)
    await manager.insert(StudentNote, {
      groupId,
      personId: students.get(student)!,
      text,
      revision: 1,
      authorId: teacher,
      updatedAt: new Date(),
    })
}

const ago = (hours: number) => new Date(Date.now() - hours * HOUR)

/** Whether the people in a database are those of the demo: one that was filled and not noted as such. */
export async function isDemo(database: DataSource): Promise<boolean> {
  const names = [TEACHER, ...STUDENTS].map((p) => p.signIn)
  return (await database.getRepository(Person).countBy({ signIn: In(names) })) === names.length
}

/** Six in the evening of a day. */
function evening(time: number): Date {
  const date = new Date(time)
  date.setHours(18, 0, 0, 0)
  return date
}

interface Desk {
  readonly manager: EntityManager
  readonly song: SongVersion
  readonly start: Mix
  readonly assignmentId: string
  readonly songVersionId: string
  readonly teacher: string
  readonly brief: string
}

/** Gives the group an assignment of the term. */
async function assign(
  manager: EntityManager,
  planned: PlannedAssignment,
  on: Pick<Desk, 'song' | 'teacher' | 'songVersionId'> & { readonly groupId: string },
): Promise<Desk> {
  const { song, groupId, songVersionId } = on
  const start = planned.start(plainMix(song))
  const brief = JSON.stringify(readBrief(planned.brief, song, start))
  const assignmentId = randomUUID()
  await manager.insert(Assignment, {
    id: assignmentId,
    groupId,
    songVersionId,
    title: planned.title,
    brief,
    startingMix: JSON.stringify(start),
    rubric: JSON.stringify(planned.rubric),
    model: planned.model ? JSON.stringify(madeOf(start, planned.model)) : null,
    modelHeard: 'given back',
    opensAt: null,
    handInLimit: null,
    revision: 1,
    dueAt: evening(Date.now() + planned.dueInHours * HOUR),
    createdAt: new Date(Date.now() - planned.daysAgo * DAY),
  })
  return { manager, start, assignmentId, brief, ...on }
}

/** Plays the demo's songs, keeps their audio, and writes their song versions. */
async function demoSongs(
  { assets, workers }: Services,
  tell: (step: string) => void,
  pace: number,
): Promise<Map<Score, SongVersion>> {
  const players = new WorkerPool<PartTask, Int16Array[]>(new URL('song-worker.js', workers), 2)
  const count = SONGS.reduce((sum, s) => sum + s.parts.length, 0)
  let done = 0
  const songs = await Promise.all(
    SONGS.map(async (score) => {
      const played = await Promise.all(
        score.parts.map(async (part) => {
          const channels = await players.run({ song: score.title, part: part.id, pace })
          const asset = await assets.keep(channels)
          tell(`playing the demo songs: ${++done} of ${count} parts`)
          return { part, channels, asset }
        }),
      )
      const song = songVersionOf(
        faster(score, pace),
        played,
        played.map((p) => p.asset),
      )
      return [score, song] as const
    }),
  )
  await players.close()
  return new Map(songs)
}

async function keepSong(manager: EntityManager, song: SongVersion, madeBy: string): Promise<string> {
  const songId = randomUUID()
  const id = randomUUID()
  await manager.insert(Song, { id: songId, title: song.title, madeBy })
  await manager.insert(SongVersionRow, { id, songId, number: 1, document: JSON.stringify(song) })
  for (const { id: assetId } of song.assets)
    await manager.insert(SongVersionAsset, { songVersionId: id, assetId })
  return id
}

async function person(
  manager: EntityManager,
  { name, signIn }: { name: string; signIn: string },
  role: Role,
  passwordHash: string,
): Promise<string> {
  const id = randomUUID()
  await manager.insert(Person, {
    id,
    name,
    signIn,
    role,
    passwordHash,
    mustChange: false,
  })
  return id
}

async function work(desk: Desk, personId: string, planned: PlannedWork, at: Date): Promise<Work> {
  const { manager, assignmentId, song, start } = desk
  const document: WorkDocument = { mix: madeOf(start, planned), notes: [] }
  const checked = checkWork(document, song)
  if (!checked.ok) throw new Error(`The demo scenario is wrong: ${checked.problem}`)
  const key = { assignmentId, personId }
  const before = await manager.findOneBy(Work, key)
  const revision = (before?.revision ?? 1) + 1
  const saved = await manager.save(Work, {
    id: before?.id ?? randomUUID(),
    ...key,
    revision,
    snapshot: JSON.stringify(document),
    window: '',
    lastSave: '',
    updatedAt: at,
  })
  const commands = [...stepsOf(planned, at), ...(planned.commands ?? []).map((c) => ({ ...c, at }))]
  if (commands.length)
    await manager.insert(
      WorkCommand,
      commands.map(({ label, lanes, from, to, how, at: when }, number) => ({
        workId: saved.id,
        revision,
        number,
        label,
        lanes: JSON.stringify(lanes),
        fromTick: from,
        toTick: to,
        how,
        at: when,
      })),
    )
  const task = readKeptBrief(desk.brief).tasks[0]!.id
  for (let level = 0; level < (planned.hints ?? 0); level++)
    await manager.upsert(OpenedHint, { workId: saved.id, task, level, openedAt: at }, [
      'workId',
      'task',
      'level',
    ])
  return saved
}

/** A step in each minute of work before a moment. */
function* stepsOf({ minutes = 0, lines }: PlannedWork, at: Date) {
  const lanes = Object.keys(lines).slice(0, 1)
  for (let i = minutes; i > 0; i--)
    yield {
      label: 'Moved a point',
      lanes,
      from: 0,
      to: 0,
      how: 'hand',
      at: new Date(at.getTime() - i * MINUTE),
    }
}

async function handIn(desk: Desk, personId: string, planned: PlannedHandIn): Promise<void> {
  const { manager, songVersionId, teacher, brief, start } = desk
  const handedInAt = ago(planned.hoursAgo)
  const { id: workId, revision, snapshot: document } = await work(desk, personId, planned, handedInAt)
  const id = randomUUID()
  const { review } = planned
  await manager.insert(HandIn, {
    id,
    workId,
    number: (await manager.countBy(HandIn, { workId })) + 1,
    songVersionId,
    revision,
    document,
    brief,
    said: planned.said ?? '',
    writing: JSON.stringify(planned.writing ?? []),
    state: review ? 'given back' : 'measuring',
    measurement: null,
    assessment: null,
    sameAs: sameness(start, readWork(document).mix),
    pair: null,
    outcome: review?.outcome ?? null,
    handedInAt,
    givenBackAt: review ? new Date(handedInAt.getTime() + 12 * HOUR) : null,
    openedAt: null,
    seenAt: review ? handedInAt : null,
    lookedBy: null,
    lookedAt: null,
    measureTries: 0,
    measureAt: handedInAt,
    measureProblem: null,
  })
  if (!review) return
  const { marks, comment } = review
  await manager.insert(Review, {
    handInId: id,
    reviewerId: teacher,
    marks: JSON.stringify(marks),
    comment,
    revision: 1,
    updatedAt: handedInAt,
  })
  for (const { lane, from, to, text, suggestion } of review.remarks) {
    const place = { lane, fromTick: from, toTick: to }
    await manager.insert(Remark, {
      id: randomUUID(),
      handInId: id,
      authorId: teacher,
      ...place,
      text,
      subject: '',
      suggestion: suggestion ? JSON.stringify(suggestion) : null,
      revision: 1,
      doneAt: null,
      createdAt: handedInAt,
    })
  }
}
