import { words } from '@rudlo/words'
import type { Belongings } from '@rudlo/contract/people'
import { csvText } from '@rudlo/core/exchange'
import { readKeptBrief } from '@rudlo/core/stored'
import type { DataSource, EntityManager } from 'typeorm'
import type { Sessions } from '../access/sessions'
import { Assignment } from '../assignments/entities'
import { isBack } from '../handins/entities'
import { versionsOf } from '../handins/queries'
import type { Reviews } from '../reviews/service'
import { fileName, textEntry, type ZipEntry } from '../http/zip'
import type { Songs } from '../songbook/songs'
import { workNow } from '../works/documents'
import { Try, Work, WorkCommand } from '../works/entities'
import type { Person } from './entities'
import { leaveTrail } from './trail'

/** Tables with rows that hang on a work of a person, in the order in which they can go. */
const OF_WORKS = ['opened_hints', 'task_tries', 'work_commands', 'tries'] as const

/** Leaving: everything of a student in one file, and erasing a student. */
export class Leaving {
  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly reviews: Reviews,
    private readonly sessions: Sessions,
  ) {}

  async belongings(person: Person): Promise<Belongings> {
    const count = async (sql: string) => {
      const [row]: { n: string }[] = await this.database.query(sql, [person.id])
      return Number(row?.n ?? 0)
    }
    const ofWorks = (table: string) =>
      count(`SELECT COUNT(*) AS n FROM ${table} x JOIN works w ON w.id = x.work_id WHERE w.person_id = ?`)
    return {
      works: await count('SELECT COUNT(*) AS n FROM works WHERE person_id = ?'),
      handIns: await ofWorks('hand_ins'),
      tries: await ofWorks('tries'),
      replies: await count('SELECT COUNT(*) AS n FROM replies WHERE author_id = ?'),
    }
  }

  /** Everything that a student made, and what was said to them: the files of an archive. */
  async *everything(person: Person): AsyncGenerator<ZipEntry> {
    yield json('about.json', {
      format: 'rudlo-keepsake',
      version: 1,
      name: person.name,
      signIn: person.signIn,
      madeAt: new Date().toISOString(),
    })
    const works = await this.database
      .getRepository(Work)
      .find({ select: { id: true }, where: { personId: person.id } })
    const folders = new Set<string>()
    for (const { id } of works) {
      const work = await this.database.getRepository(Work).findOneBy({ id })
      if (work) yield* this.#filesOf(work, folders)
    }
  }

  /** @param folders names that are taken */
  async *#filesOf(work: Work, folders: Set<string>): AsyncGenerator<ZipEntry> {
    const assignment = await this.database
      .getRepository(Assignment)
      .findOneByOrFail({ id: work.assignmentId })
    let folder = fileName(assignment.title)
    for (let n = 2; folders.has(folder); n++) folder = `${fileName(assignment.title)} ${n}`
    folders.add(folder)
    yield json(`${folder}/work.json`, (await workNow(this.database, work.id)).document)
    yield json(`${folder}/song.json`, await this.songs.version(assignment.songVersionId))
    yield textEntry(`${folder}/brief.txt`, briefText(assignment))
    const tries = await this.database.getRepository(Try).findBy({ workId: work.id })
    for (const [i, t] of tries.entries())
      yield textEntry(`${folder}/tries/${i + 1} ${fileName(t.name)}.json`, t.document)
    const commands = await this.database
      .getRepository(WorkCommand)
      .find({ where: { workId: work.id }, order: { revision: 'ASC', number: 'ASC' } })
    const history = csvText([
      ['when', 'what', 'how', 'from-tick', 'to-tick'].map((key) => words(`column.${key}`)),
      ...commands.map((c) => [c.at.toISOString(), c.label, c.how, c.fromTick, c.toTick]),
    ])
    yield textEntry(`${folder}/history.csv`, history)
    for (const handIn of await versionsOf(this.database, work.id)) {
      const name = `${folder}/version ${handIn.number}`
      yield textEntry(`${name}/work.json`, handIn.document)
      if (handIn.measurement) yield textEntry(`${name}/measured.json`, handIn.measurement)
      if (isBack(handIn)) yield json(`${name}/review.json`, await this.reviews.view(handIn))
    }
  }

  /** Erases a student and everything personal, all of it or nothing. What remains is a note that somebody was erased. */
  async erase(teacher: Person, person: Person): Promise<void> {
    await this.database.transaction(async (manager) => {
      const handIns = `SELECT h.id FROM hand_ins h JOIN works w ON w.id = h.work_id WHERE w.person_id = ?`
      const works = `SELECT id FROM works WHERE person_id = ?`
      const ids = (sql: string) => idsOf(manager, sql, person.id)
      const [ofHandIns, ofWorks] = [await ids(handIns), await ids(works)]
      const groups = await ids(
        'SELECT group_id AS id FROM memberships WHERE person_id = ? UNION SELECT group_id FROM former_members WHERE person_id = ?',
      )
      await removeAll(manager, 'replies', 'author_id', [person.id])
      await removeAll(manager, 'remarks', 'hand_in_id', ofHandIns)
      await removeAll(manager, 'reviews', 'hand_in_id', ofHandIns)
      await removeAll(manager, 'hand_ins', 'work_id', ofWorks)
      for (const table of OF_WORKS) await removeAll(manager, table, 'work_id', ofWorks)
      await removeAll(manager, 'works', 'person_id', [person.id])
      for (const table of [
        'exceptions',
        'student_notes',
        'small_group_members',
        'overall_grades',
        'excused_work',
        'surfaces',
        'uploads',
        'sessions',
        'known_browsers',
        'presences',
        'happenings',
        'memberships',
        'former_members',
      ])
        await removeAll(manager, table, 'person_id', [person.id])
      // after what they were told is gone: open lines end
      await this.sessions.endAllOf(manager, person.id)
      await removeAll(manager, 'trail', 'person_id', [person.id])
      await removeAll(manager, 'trail', 'subject', [person.id, ...ofHandIns])
      await removeAll(manager, 'people', 'id', [person.id])
      // under the groups: that is where their teachers read it
      for (const group of groups) await leaveTrail(manager, teacher.id, 'erased a student', group)
    })
  }
}

async function idsOf(manager: EntityManager, sql: string, person: string): Promise<string[]> {
  const rows: { id: string }[] = await manager.query(
    sql,
    sql
      .split('?')
      .slice(1)
      .map(() => person),
  )
  return rows.map((r) => r.id)
}

async function removeAll(manager: EntityManager, table: string, column: string, ids: readonly string[]) {
  if (ids.length)
    await manager.query(`DELETE FROM ${table} WHERE ${column} IN (${ids.map(() => '?').join(',')})`, [...ids])
}

const json = (name: string, value: unknown) => textEntry(name, JSON.stringify(value, null, 1))

function briefText({ title, brief }: Assignment): string {
  const { purpose, tasks } = readKeptBrief(brief)
  return [title, '', purpose, ...tasks.flatMap((t, i) => ['', `${i + 1}. ${t.title}`, t.text])].join('\n')
}
