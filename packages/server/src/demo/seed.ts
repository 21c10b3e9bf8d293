import { randomUUID } from 'node:crypto'
import type { Points } from '@rudlo/core/envelope'
import { plainMix, withPoints, type Mix, type WorkDocument } from '@rudlo/core/mix'
import type { SongRegion, SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE, TempoMap } from '@rudlo/core/time'
import { checkWork } from '@rudlo/core/validate'
import {
  BEGUN,
  BRIEF,
  DEMO_PASSWORD,
  eveningFerry,
  GROUP,
  HAND_INS,
  RUBRIC,
  scoreTicks,
  soundingStretches,
  SQUEEZEBOX,
  startingMix,
  STUDENTS,
  TEACHER,
  TIDE,
  TITLE,
  type PlannedHandIn,
  type StudentName,
} from '@rudlo/demo'
import type { EntityManager } from 'typeorm'
import { hashPassword } from '../access/passwords'
import { Assignment } from '../assignments/assignment.entity'
import { HandIn } from '../handins/hand-in.entity'
import { WorkerPool } from '../jobs/worker-pool'
import { Group, Membership } from '../people/group.entity'
import { Person, type Role } from '../people/person.entity'
import { Remark, Review } from '../reviews/review.entity'
import type { Services } from '../services'
import { Song, SongVersionAsset, SongVersionRow } from '../songbook/song.entity'
import { Work } from '../works/work.entity'

const HOUR = 3_600_000

/** Fills an empty installation with the demo scenario, in one transaction after the audio is kept. */
export async function seedDemo(services: Services, tell: (step: string) => void): Promise<void> {
  const song = await demoSong(services, tell)
  tell('preparing the evening class')
  const passwordHash = await hashPassword(DEMO_PASSWORD)
  await services.database.transaction(async (manager) => {
    const teacher = await person(manager, TEACHER, 'teacher', passwordHash)
    const students = new Map<StudentName, string>()
    for (const s of STUDENTS) students.set(s.signIn, await person(manager, s, 'student', passwordHash))
    const groupId = randomUUID()
    await manager.insert(Group, { id: groupId, ...GROUP })
    await manager.insert(Membership, { groupId, personId: teacher, role: 'teacher' })
    for (const personId of students.values()) {
      await manager.insert(Membership, { groupId, personId, role: 'student' })
    }
    const songVersionId = await keepSong(manager, song)
    const start = startingMix(plainMix(song))
    const assignmentId = randomUUID()
    await manager.insert(Assignment, {
      id: assignmentId,
      groupId,
      songVersionId,
      title: TITLE,
      brief: JSON.stringify(BRIEF),
      startingMix: JSON.stringify(start),
      rubric: JSON.stringify(RUBRIC),
      dueAt: new Date(Date.now() + 60 * HOUR),
      createdAt: new Date(Date.now() - 96 * HOUR),
    })
    const desk: Desk = { manager, song, start, assignmentId, songVersionId, teacher }
    for (const planned of HAND_INS) await handIn(desk, students.get(planned.student)!, planned)
    for (const planned of BEGUN)
      await work(desk, students.get(planned.student)!, mixOf(desk, planned), new Date())
  })
}

interface Desk {
  readonly manager: EntityManager
  readonly song: SongVersion
  readonly start: Mix
  readonly assignmentId: string
  readonly songVersionId: string
  readonly teacher: string
}

/** Plays the demo song, keeps its audio, and writes its song version. */
async function demoSong({ assets, workers }: Services, tell: (step: string) => void): Promise<SongVersion> {
  const score = eveningFerry
  const players = new WorkerPool<string, Int16Array[]>(new URL('song-worker.js', workers), 2)
  let done = 0
  const played = await Promise.all(
    score.parts.map(async (part) => {
      const channels = await players.run(part.id)
      const asset = await assets.keep(channels)
      tell(`playing the demo song: ${++done} of ${score.parts.length} parts`)
      return { part, channels, asset }
    }),
  )
  await players.close()
  const tempo = new TempoMap(score.tempo)
  return {
    format: 'rudlo-song',
    version: 1,
    title: score.title,
    length: scoreTicks(score),
    tempo: score.tempo,
    meter: score.meter,
    sections: score.sections,
    tracks: score.parts.map(({ id, name, role, channels }) => ({ id, name, role, channels })),
    regions: played.flatMap(({ part, channels, asset }) =>
      soundingStretches(channels).map(({ from, to }, i): SongRegion => {
        // a region starts on a tick; the audio is cut at the sample that the tick falls on
        const start = Math.floor(tempo.tickAt(from / SAMPLE_RATE))
        const offset = Math.round(tempo.secondsAt(start) * SAMPLE_RATE)
        return { id: `${part.id}-${i + 1}`, track: part.id, asset, start, offset, length: to - offset }
      }),
    ),
    assets: played.map(({ part, channels, asset }) => ({
      id: asset,
      channels: part.channels,
      frames: channels[0]!.length,
    })),
  }
}

async function keepSong(manager: EntityManager, song: SongVersion): Promise<string> {
  const songId = randomUUID()
  const id = randomUUID()
  await manager.insert(Song, { id: songId, title: song.title })
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
  await manager.insert(Person, { id, name, signIn, role, passwordHash, wrongTries: 0, retryAt: null })
  return id
}

function mixOf({ start, song }: Desk, planned: { tide: Points; squeezebox: Points }): Mix {
  const never = () => {
    throw new Error('The demo draws on lanes that exist.')
  }
  const mix = withPoints(withPoints(start, TIDE, planned.tide, never), SQUEEZEBOX, planned.squeezebox, never)
  const checked = checkWork({ mix, notes: [] }, song)
  if (!checked.ok) throw new Error(`The demo scenario is wrong: ${checked.problem}`)
  return mix
}

async function work({ manager, assignmentId }: Desk, personId: string, mix: Mix, at: Date): Promise<Work> {
  const document: WorkDocument = { mix, notes: [] }
  const key = { assignmentId, personId }
  const before = await manager.findOneBy(Work, key)
  return manager.save(Work, {
    id: before?.id ?? randomUUID(),
    ...key,
    revision: (before?.revision ?? 1) + 1,
    document: JSON.stringify(document),
    window: '',
    lastSave: '',
    updatedAt: at,
  })
}

async function handIn(desk: Desk, personId: string, planned: PlannedHandIn): Promise<void> {
  const { manager, songVersionId, teacher } = desk
  const handedInAt = new Date(Date.now() - planned.hoursAgo * HOUR)
  const { id: workId, revision, document } = await work(desk, personId, mixOf(desk, planned), handedInAt)
  const id = randomUUID()
  const { review } = planned
  await manager.insert(HandIn, {
    id,
    workId,
    number: (await manager.countBy(HandIn, { workId })) + 1,
    songVersionId,
    revision,
    document,
    state: review ? 'given back' : 'measuring',
    measurement: null,
    outcome: review?.outcome ?? null,
    handedInAt,
    givenBackAt: review ? new Date(handedInAt.getTime() + 12 * HOUR) : null,
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
  for (const { lane, from, to, text } of review.remarks) {
    const place = { lane, fromTick: from, toTick: to }
    await manager.insert(Remark, {
      id: randomUUID(),
      handInId: id,
      authorId: teacher,
      ...place,
      text,
      createdAt: handedInAt,
    })
  }
}
