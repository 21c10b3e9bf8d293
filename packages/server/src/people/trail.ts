import type { Deed } from '@rudlo/contract/people'
import type { EntityManager } from 'typeorm'
import { TrailEntry } from './entities'

/** Notes in the trail that somebody did something, in the transaction that does it. */
export async function leaveTrail(manager: EntityManager, personId: string, what: Deed, subject: string) {
  await manager.insert(TrailEntry, { personId, what, subject, at: new Date() })
}
