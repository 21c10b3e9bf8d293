import { words } from '@rudlo/words'
import {
  matchRoster,
  readOneRoster,
  readRoster,
  ROSTER_COLUMNS,
  type KnownStudent,
  type MatchedRow,
  type Roster,
  type RosterColumns,
} from '@rudlo/core/roster'
import type { RosterAnswer, RosterFile } from '@rudlo/contract/people'
import type { DataSource } from 'typeorm'
import { badInput } from '../http/problem'
import type { Group, Person } from './entities'
import { knownTo } from './queries'
import type { People } from './service'

/** Lists of students as schools have them: looked at beside who is known, or taken in. */
export class Rosters {
  constructor(
    private readonly database: DataSource,
    private readonly people: People,
  ) {}

  /** @throws Problem 400 where something is wrong in a list that is to be taken in: then nobody is */
  async take(teacher: Person, group: Group, sent: RosterFile): Promise<RosterAnswer> {
    const { roster, classes } = read(sent)
    const { problems, header, columns } = roster
    const { rows, gone } = matchRoster(roster.rows, await this.#known(teacher, group))
    const answer = { rows, gone, header, columns, classes }
    if (sent.preview) return { ...answer, problems, cards: [] }
    if (problems.length) throw badInput(words('people.something-list-wrong'))
    const same = new Set(sent.same ?? [])
    const isNew = ({ match, line }: MatchedRow) =>
      match.kind === 'new' || (match.kind === 'alike' && !same.has(line))
    // what is new can be refused: it comes before anything is changed
    const cards = await this.people.add(teacher, group, rows.filter(isNew))
    for (const row of rows) if (!isNew(row)) await this.#take(teacher, group, row)
    const leaves = new Set(sent.takeOut ?? [])
    for (const { id } of gone.filter((g) => leaves.has(g.id)))
      await this.people.leave(teacher, group, await this.people.member(teacher, group.id, id, 'student'))
    return { ...answer, problems: [], cards }
  }

  /** Somebody who is known: taken in, called by the name of the list, and known by the id of the school. */
  async #take(teacher: Person, group: Group, { match, name, schoolId }: MatchedRow): Promise<void> {
    if (match.kind === 'new') return
    const person = await this.people.student(teacher, match.id)
    const isHere = match.kind === 'here' || match.kind === 'renamed' || (match.kind === 'alike' && match.here)
    if (!isHere) await this.people.takeIn(teacher, group, person, null)
    if (match.kind === 'renamed') await this.people.rename(teacher, person, name)
    if (schoolId && person.schoolId !== schoolId) await this.people.knowAs(person.id, schoolId)
  }

  async #known(teacher: Person, { id: here }: Group): Promise<KnownStudent[]> {
    const all = new Map<string, KnownStudent>()
    for (const { id, name, signIn, schoolId, group } of await knownTo(this.database, teacher.id))
      all.set(id, { id, name, signIn, schoolId, here: group === here || (all.get(id)?.here ?? false) })
    return [...all.values()]
  }
}

/** Which column says what, of what was sent; undefined for nothing. */
function columnsOf(sent: RosterFile['columns']): RosterColumns | undefined {
  if (!sent) return undefined
  return Object.fromEntries(
    ROSTER_COLUMNS.flatMap((what) => {
      const at = sent[what]
      return Number.isInteger(at) && at! >= 0 && at! < 200 ? [[what, at!]] : []
    }),
  )
}

/** Reads what was sent: a list, a table, or two files of a OneRoster export. */
function read(sent: RosterFile): { roster: Roster; classes: string[] } {
  if (sent.enrollments === undefined)
    return { roster: readRoster(sent.text, columnsOf(sent.columns)), classes: [] }
  try {
    const classes = readOneRoster(sent.text, sent.enrollments)
    const chosen = classes.find((c) => c.id === sent.class) ?? (classes.length === 1 ? classes[0] : undefined)
    const none: Roster = { rows: [], problems: [], header: [], columns: {} }
    return { roster: chosen?.roster ?? none, classes: classes.map((c) => c.id) }
  } catch (error) {
    throw badInput((error as Error).message)
  }
}
