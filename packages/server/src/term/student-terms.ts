import { words } from '@rudlo/words'
import type { Kept } from '@rudlo/contract/common'
import type {
  ChangedNotes,
  Sharing,
  StudentTermAssignment,
  StudentNotes,
  StudentTerm,
} from '@rudlo/contract/term'
import { shareOfMarks } from '@rudlo/core/grades'
import { readKeptRubric, readMarks } from '@rudlo/core/stored'
import { best, bestVersion, minutesByWeek, mistakesOverTerm, type SmallPictures } from '@rudlo/core/term'
import type { DataSource } from 'typeorm'
import { isBack } from '../handins/entities'
import { textOf } from '../http/moment'
import { notFound, notNow } from '../http/problem'
import { Group, Membership, Person } from '../people/entities'
import type { ClassTerms } from './class-terms'
import { StudentNote } from './entities'
import { stepsOf, versionsOfStudent, type VersionRow } from './queries'
import { standingFigures, verdictsBy, type Cell } from './reading'

const WEEK = 7 * 24 * 3_600_000
/** So many weeks are shown at most. */
const MOST_WEEKS = 30

/** One student over a term, as teachers see it, and as the student does. */
export class StudentTerms {
  constructor(
    private readonly database: DataSource,
    private readonly terms: ClassTerms,
  ) {}

  /** As a teacher sees it: the newest version of everything, and the notes. */
  async forTeacher(group: Group, student: Person): Promise<StudentTerm> {
    return {
      ...(await this.#term(group, student, () => true)),
      notes: await this.#notes(group.id, student.id),
    }
  }

  /** The person's own: of every class they are in, what came back. */
  async own(person: Person): Promise<StudentTerm[]> {
    const groups = await this.database
      .getRepository(Group)
      .createQueryBuilder('g')
      .innerJoin(Membership, 'm', 'm.group_id = g.id AND m.person_id = :id AND m.role = :role', {
        id: person.id,
        role: 'student',
      })
      .orderBy('g.name')
      .getMany()
    const terms = await Promise.all(groups.map((group) => this.#term(group, person, isBack)))
    // that something is decided and held is for teachers alone
    return terms.map((term) => ({
      ...term,
      assignments: term.assignments.map((a) =>
        a.state === 'held' ? { ...a, state: 'waiting' as const } : a,
      ),
    }))
  }

  /** Keeps notes. @throws Problem 409 where somebody else changed them */
  async note(
    teacher: Person,
    group: Group,
    student: Person,
    { text, revision }: ChangedNotes,
  ): Promise<Kept> {
    return this.database.transaction(async (manager) => {
      const key = { groupId: group.id, personId: student.id }
      const before = await manager.findOne(StudentNote, { where: key, lock: { mode: 'pessimistic_write' } })
      if ((before?.revision ?? 0) !== revision) throw notNow(words('term.notes-changed'))
      await manager.save(StudentNote, {
        ...key,
        text,
        revision: revision + 1,
        authorId: teacher.id,
        updatedAt: new Date(),
      })
      return { revision: revision + 1 }
    })
  }

  /** Allows the own work to be shown to a class without a name, or no longer. @throws Problem 404 for a class of others */
  async share(person: Person, { group, shares }: Sharing): Promise<void> {
    if (!(await this.#membership(group, person.id))) throw notFound()
    await this.database
      .getRepository(Membership)
      .update({ groupId: group, personId: person.id, role: 'student' }, { shares })
  }

  async #notes(groupId: string, personId: string): Promise<StudentNotes> {
    const note = await this.database.getRepository(StudentNote).findOneBy({ groupId, personId })
    const author = note && (await this.database.getRepository(Person).findOneBy({ id: note.authorId }))
    return {
      text: note?.text ?? '',
      revision: note?.revision ?? 0,
      author: author?.name ?? null,
      updatedAt: textOf(note?.updatedAt ?? null),
    }
  }

  /** @param shown whether a version may be looked at */
  async #term(
    { id: group, name, place }: Group,
    { id: student, name: studentName }: Person,
    shown: (version: VersionRow) => boolean,
  ): Promise<StudentTerm> {
    const now = new Date()
    const { assignments, cells: mine } = await this.terms.read([group], now, student)
    const ids = assignments.map((a) => a.id)
    const [versions, steps] = await Promise.all([
      versionsOfStudent(this.database, student, ids),
      stepsOf(this.database, student, ids),
    ])
    const of = (assignment: string) => versions.filter((v) => v.assignment === assignment && shown(v))
    const titles = await this.terms.titlesOf(assignments)
    const first = monday(
      Math.min(
        now.getTime(),
        ...assignments.map((a) => a.createdAt.getTime()),
        ...steps.map((s) => s.at.getTime()),
      ),
    )
    const weeks = Math.min(MOST_WEEKS, Math.floor((now.getTime() - first) / WEEK) + 1)
    return {
      student: { id: student, name: studentName },
      group: { id: group, name, place },
      now: textOf(now),
      assignments: mine.map((cell) =>
        assignmentView(cell, of(cell.assignment.id), {
          song: titles.get(cell.assignment.songVersionId)!,
          minutes: steps.filter((s) => s.assignment === cell.assignment.id).length,
        }),
      ),
      mistakes: mistakesOverTerm(
        assignments.flatMap((a) => {
          const newest = of(a.id).at(-1)
          const figures = newest && standingFigures(newest)
          return figures ? [figures] : []
        }),
      ),
      weeks: {
        from: textOf(new Date(first)),
        minutes: minutesByWeek(
          steps.map((s) => s.at.getTime()),
          first,
          weeks,
        ),
      },
      shares: (await this.#membership(group, student))?.shares ?? false,
      notes: null,
    }
  }

  #membership(groupId: string, personId: string): Promise<Membership | null> {
    return this.database.getRepository(Membership).findOneBy({ groupId, personId, role: 'student' })
  }
}

function assignmentView(
  { assignment, dueAt, standing, row }: Cell,
  versions: readonly VersionRow[],
  { song, minutes }: { readonly song: string; readonly minutes: number },
): StudentTermAssignment {
  const newest = versions.at(-1)
  const figures = newest ? standingFigures(newest) : null
  const verdicts = verdictsBy(assignment.tasks, figures)
  const rubric = readKeptRubric(assignment.rubric)
  const marksOf = (v: VersionRow | undefined) => (v?.marks ? readMarks(v.marks) : {})
  const marks = marksOf(newest)
  const bestOne = bestVersion(versions, (v) => ({
    verdicts: verdictsBy(assignment.tasks, standingFigures(v)),
    share: shareOfMarks(rubric, marksOf(v)),
  }))
  return {
    assignment: assignment.id,
    title: assignment.title,
    song,
    dueAt: textOf(dueAt),
    ...standing,
    versions: row?.number ?? 0,
    handIn: newest?.id ?? null,
    number: newest?.number ?? 0,
    handedInAt: textOf(newest?.handedInAt ?? null),
    best: bestOne ? { handIn: bestOne.id, number: bestOne.number } : null,
    outcome: newest?.outcome ?? null,
    tasks: assignment.tasks.map(({ id, title }, i) => ({ id, title, verdict: verdicts[i] ?? null })),
    marks: rubric.criteria.flatMap(({ id, name }) => {
      const share = shareOfMarks(rubric, marks, id)
      return share === null ? [] : [{ criterion: id, name, level: rubric.levels[marks[id]!] ?? '', share }]
    }),
    comment: newest?.comment ?? '',
    remarks: Number(newest?.remarks ?? 0),
    hints: Number(row?.hints ?? 0),
    minutes,
    pictures: bestPictures(versions),
  }
}

/** The best pictures of all versions: what somebody could do by then. */
function bestPictures(versions: readonly VersionRow[]): SmallPictures {
  const all = versions.flatMap((v) => standingFigures(v)?.pictures ?? [])
  return {
    fade: best(
      all.map((p) => p.fade),
      (f) => -f.off,
    ),
    build: best(
      all.map((p) => p.build),
      (b) => b.grows,
    ),
    balance: best(
      all.map((p) => p.balance),
      (b) => -Math.abs(b.middle),
    ),
  }
}

/** Midnight before the Monday of a week, in ms since 1970, by the clock of the world. */
function monday(time: number): number {
  const date = new Date(time)
  date.setUTCHours(0, 0, 0, 0)
  return date.getTime() - ((date.getUTCDay() + 6) % 7) * (WEEK / 7)
}
