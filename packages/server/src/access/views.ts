import type { OwnSession, PersonView } from '@rudlo/contract/access'
import type { Person } from '../people/entities'
import type { Session } from './entities'

/** What a browser may know about a person. */
export const personView = ({ id, name, role, mustChange }: Person): PersonView => ({
  id,
  name,
  role,
  mustChange,
})

/** So much of the hash names a session to its owner: enough to tell sessions apart, too little to find its token. */
export const SESSION_NAME_LENGTH = 20

/** @param here hash of the token of the session that asks */
export const ownSession = ({ tokenHash, device, createdAt, seenAt }: Session, here: string): OwnSession => ({
  id: tokenHash.slice(0, SESSION_NAME_LENGTH),
  device,
  begunAt: createdAt.toISOString(),
  seenAt: seenAt.toISOString(),
  here: tokenHash === here,
})
