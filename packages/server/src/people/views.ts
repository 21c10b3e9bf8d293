import type { FormerView, GroupView, MemberView, RequestView, TrailView } from '@rudlo/contract/people'
import { textOf } from '../http/moment'
import type { Group, JoinRequest } from './entities'
import type { FormerRow, LastRow, MemberRow, TrailRow } from './queries'

const memberView = ({ id, name, signIn, mustChange }: MemberRow): MemberView => ({
  id,
  name,
  signIn,
  mustChange: Boolean(mustChange),
})

/** What somebody did last: handed in, or worked on since. */
function lastView(works: readonly LastRow[]): Pick<MemberView, 'last'> {
  const done = works.flatMap(({ title, savedAt, handedInAt }) => [
    { title, at: savedAt, handedIn: false },
    ...(handedInAt ? [{ title, at: handedInAt, handedIn: true }] : []),
  ])
  // what was saved in the moment of handing in is the hand-in
  const [newest] = done.sort(
    (a, b) => b.at.getTime() - a.at.getTime() || Number(b.handedIn) - Number(a.handedIn),
  )
  return newest ? { last: { ...newest, at: newest.at.toISOString() } } : {}
}

const formerView = ({ leftAt, ...row }: FormerRow): FormerView => ({ ...row, leftAt: leftAt.toISOString() })

const requestView = ({ id, name, signIn }: JoinRequest): RequestView => ({ id, name, signIn })

/** A class with everybody who belongs to it, or did, or wants to. */
export function groupView(
  { id, name, place, joinCode, joinOpen, lessonDay, lessonTime, keepUntil, endedAt }: Group,
  {
    members,
    last,
    former,
    requests,
  }: {
    readonly members: readonly MemberRow[]
    /** The newest first. */
    readonly last: readonly LastRow[]
    readonly former: readonly FormerRow[]
    readonly requests: readonly JoinRequest[]
  },
): GroupView {
  return {
    id,
    name,
    place,
    joinCode,
    joinOpen,
    lessonDay,
    lessonTime,
    keepUntil,
    endedAt: textOf(endedAt),
    students: members
      .filter((m) => m.role === 'student')
      .map((m) => ({ ...memberView(m), ...lastView(last.filter((l) => l.person === m.id)) })),
    teachers: members.filter((m) => m.role === 'teacher').map(memberView),
    former: former.map(formerView),
    requests: requests.map(requestView),
  }
}

export const trailView = ({ at, ...row }: TrailRow): TrailView => ({ ...row, at: at.toISOString() })
