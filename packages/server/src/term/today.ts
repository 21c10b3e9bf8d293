import type { TodayView } from '@rudlo/contract/term'
import type { DataSource } from 'typeorm'
import { textOf } from '../http/moment'
import type { Person } from '../people/entities'
import { nextOf, type ClassTerms } from './class-terms'
import { handsUp, todayGroups } from './queries'
import type { SmallGroups } from './small-groups'
import { dueView, handView, waitingView } from './views'

const DAY = 24 * 3_600_000
/** What is due within so many days, or was, stands on the first page. */
const AHEAD = 7 * DAY
const BEHIND = 7 * DAY
/** A hand counts as up while the bench was heard of within so many ms. */
const HAND_MS = 10 * 60_000

/** A teacher's first page. */
export class Today {
  constructor(
    private readonly database: DataSource,
    private readonly terms: ClassTerms,
    private readonly smallGroups: SmallGroups,
  ) {}

  async view(teacher: Person): Promise<TodayView> {
    const now = new Date()
    const groups = await todayGroups(this.database, teacher.id)
    const ids = groups.map((g) => g.id)
    const [{ assignments, students, cells }, hands, small] = await Promise.all([
      this.terms.read(ids, now),
      handsUp(this.database, ids, new Date(now.getTime() - HAND_MS)),
      this.smallGroups.of(ids),
    ])
    const names = new Map(students.map((s) => [s.id, s.name]))
    const nameOf = (id: string) => names.get(id) ?? ''
    const time = now.getTime()
    return {
      now: textOf(now),
      groups: groups.map((g) => ({
        id: g.id,
        name: g.name,
        place: g.place,
        students: students.filter((s) => s.groupId === g.id).length,
        requests: Number(g.requests),
        lesson:
          g.lessonDay === null || g.lessonTime === null ? null : { day: g.lessonDay, time: g.lessonTime },
        next: nextOf(cells.filter((c) => c.assignment.groupId === g.id))[0] ?? null,
        smallGroups: (small.get(g.id) ?? []).map((s) => ({
          title: s.title,
          students: s.students.map((id) => ({ id, name: nameOf(id) })),
        })),
      })),
      waiting: cells
        .filter((c) => c.standing.state === 'waiting')
        .map((c) => waitingView(c, nameOf(c.student)))
        .sort((a, b) => (a.handedInAt < b.handedInAt ? -1 : 1)),
      due: assignments
        .filter(({ dueAt }) => dueAt && dueAt.getTime() > time - BEHIND && dueAt.getTime() < time + AHEAD)
        .map((a) =>
          dueView(
            a,
            cells.filter((c) => c.assignment.id === a.id),
            nameOf,
          ),
        ),
      hands: hands.map(handView),
    }
  }
}
