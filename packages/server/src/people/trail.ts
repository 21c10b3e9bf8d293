import type { EntityManager } from 'typeorm'
import { TrailEntry } from './entities'

/** Notes in the trail that somebody did something, in the transaction that does it. */
export async function leaveTrail(manager: EntityManager, personId: string, what: string, subject: string) {
  await manager.insert(TrailEntry, { personId, what, subject, at: new Date() })
}
