import type { AssignmentCard, GroupOfAssignment, SettingsView, Standing } from '@rudlo/contract/assignments'
import type { Brief } from '@rudlo/core/brief'
import type { SongVersion } from '@rudlo/core/song'
import { isBack, stateFor, type HandIn } from '../handins/entities'
import { textOf } from '../http/moment'
import type { Group } from '../people/entities'
import type { Work } from '../works/entities'
import type { Assignment } from './entities'
import type { GroupRow } from './queries'

/** What holds for one person: the brief, and when it is due. */
export interface Held {
  readonly brief: Brief
  readonly dueAt: Date | null
}

export const cardView = (
  { id, title, opensAt, draft }: Assignment,
  group: Group | undefined,
  song: SongVersion,
  { brief, dueAt }: Held,
): AssignmentCard => ({
  id,
  title,
  purpose: brief.purpose,
  tasks: brief.tasks.map((t) => t.title),
  song: song.title,
  group: group?.name ?? '',
  place: group?.place ?? '',
  dueAt: textOf(dueAt),
  opensAt: textOf(opensAt),
  draft,
})

/** What only the teacher sets and sees. */
export const settingsView = ({
  revision,
  modelHeard,
  draft,
  opensAt,
  dueAt,
  handInLimit,
  groupId,
}: Assignment): SettingsView => ({
  revision,
  modelHeard,
  draft,
  opensAt: textOf(opensAt),
  dueAt: textOf(dueAt),
  handInLimit,
  group: groupId,
})

/** How far a student is, as they may know it. */
export const standingView = (work: Work | null, last: HandIn | null, extended: boolean): Standing => ({
  extended,
  begun: work !== null && work.revision > 1,
  handIn: last && {
    id: last.id,
    number: last.number,
    state: stateFor('student', last),
    outcome: isBack(last) ? last.outcome : null,
  },
  changedSince: last !== null && work !== null && work.revision > last.revision,
})

export const groupOfAssignmentView = ({ dueAt, ...row }: GroupRow): GroupOfAssignment => ({
  ...row,
  dueAt: textOf(dueAt),
})
