import type { FormerView, GroupView, MemberView, RequestView, TrailView } from '@rudlo/contract/people'
import type { Group, JoinRequest } from './entities'
import type { FormerRow, MemberRow, TrailRow } from './queries'

const memberView = ({ id, name, signIn, mustChange }: MemberRow): MemberView => ({
  id,
  name,
  signIn,
  mustChange: Boolean(mustChange),
})

const formerView = ({ leftAt, ...row }: FormerRow): FormerView => ({ ...row, leftAt: leftAt.toISOString() })

const requestView = ({ id, name, signIn }: JoinRequest): RequestView => ({ id, name, signIn })

/** A class with everybody who belongs to it, or did, or wants to. */
export function groupView(
  { id, name, place, joinCode, joinOpen, keepUntil }: Group,
  {
    members,
    former,
    requests,
  }: {
    readonly members: readonly MemberRow[]
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
    keepUntil,
    students: members.filter((m) => m.role === 'student').map(memberView),
    teachers: members.filter((m) => m.role === 'teacher').map(memberView),
    former: former.map(formerView),
    requests: requests.map(requestView),
  }
}

export const trailView = ({ at, ...row }: TrailRow): TrailView => ({ ...row, at: at.toISOString() })
