import { readMarks } from '@rudlo/core/stored'
import type { BestHandIn, TaskStrips, TermView } from '@rudlo/contract/term'
import { commonestMistakes, needsHelp, nextLessons, stripsOf } from '@rudlo/core/term'
import type { DataSource } from 'typeorm'
import { textOf } from '../http/moment'
import type { Assignment } from '../assignments/entities'
import type { Group } from '../people/entities'
import type { Songs } from '../songbook/songs'
import { ownTerms, sharedOf, studentsOf, termAssignments, worksOf } from './queries'
import { cellsOf, countedOf, readAssignment, type Cell, type ReadAssignment } from './reading'
import type { SmallGroups } from './small-groups'
import { termAssignmentView, termCellView } from './views'

/** What could be taught next is looked for in so many of the newest assignments. */
const LESSON_LOOKS_AT = 4
/** So many are shown as the best. */
const BEST = 3

/** A class over a term: everything that is counted of it. */
export class ClassTerms {
  constructor(
    private readonly database: DataSource,
    private readonly songs: Songs,
    private readonly smallGroups: SmallGroups,
  ) {}

  /** Students and assignments of some classes, and how far everybody is. @param student only this one */
  async read(groups: readonly string[], now: Date, student?: string) {
    const [rows, everybody] = await Promise.all([
      termAssignments(this.database, groups),
      studentsOf(this.database, groups),
    ])
    const ids = rows.map((a) => a.id)
    const [works, own] = await Promise.all([
      worksOf(this.database, ids, student),
      ownTerms(this.database, ids),
    ])
    const students = student === undefined ? everybody : everybody.filter((s) => s.id === student)
    const assignments = rows.map(readAssignment)
    return { assignments, students, cells: cellsOf(assignments, students, works, own, now) }
  }

  /** Titles of the songs of some assignments, by version. */
  async titlesOf(assignments: readonly ReadAssignment[]): Promise<ReadonlyMap<string, string>> {
    const versions = [...new Set(assignments.map((a) => a.songVersionId))]
    return new Map(
      await Promise.all(versions.map(async (id) => [id, (await this.songs.version(id)).title] as const)),
    )
  }

  async view({ id, name, place }: Group): Promise<TermView> {
    const now = new Date()
    const [{ assignments, students, cells }, small] = await Promise.all([
      this.read([id], now),
      this.smallGroups.of([id]),
    ])
    const counted = countedOf(cells)
    const titles = await this.titlesOf(assignments)
    const ofStudent = new Map<string, Cell[]>(students.map((s) => [s.id, []]))
    for (const cell of cells) ofStudent.get(cell.student)!.push(cell)
    return {
      group: { id, name, place },
      now: textOf(now),
      assignments: assignments.map((a) => termAssignmentView(a, titles.get(a.songVersionId)!, counted)),
      students: students.map((s) => {
        const own = ofStudent.get(s.id)!
        const times = own.flatMap(({ row }) => [row?.editedAt ?? null, row?.handedInAt ?? null])
        const last = times.reduce((a, b) => (b && (!a || b > a) ? b : a), null)
        return { id: s.id, name: s.name, lastAt: textOf(last), help: needsHelp(own) }
      }),
      cells: cells.map(termCellView),
      mistakes: commonestMistakes(counted),
      next: nextOf(cells),
      smallGroups: small.get(id) ?? [],
    }
  }

  /** The best three by a criterion, of those who allow it: without names. */
  async best({ id }: Assignment, criterion: string): Promise<BestHandIn[]> {
    return (await sharedOf(this.database, id))
      .flatMap(({ handIn, marks }) => {
        const level = readMarks(marks)[criterion]
        return level === undefined ? [] : [{ handIn, level }]
      })
      .sort((a, b) => b.level - a.level)
      .slice(0, BEST)
  }

  /** What was measured of one task in the newest hand-in of everybody. */
  async strips({ id, groupId }: Assignment, task: string): Promise<TaskStrips> {
    const { cells } = await this.read([groupId], new Date())
    return { strips: stripsOf(countedOf(cells.filter((c) => c.assignment.id === id)), task) }
  }
}

/** What could be taught next to those of some cells. */
export function nextOf(cells: readonly Cell[]) {
  const handedIn = [...new Set(cells.filter((c) => c.figures).map((c) => c.assignment.id))]
  const newest = new Set(handedIn.slice(-LESSON_LOOKS_AT))
  return nextLessons(countedOf(cells.filter((c) => newest.has(c.assignment.id))))
}
