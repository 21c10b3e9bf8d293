import { words } from '@rudlo/words'
import { diskFull } from './disk'
import type { Log } from './log'
import { badInput, busy, notNow, Problem } from './problem'

/** What MariaDB says where there is no room: a table cannot grow, or the disk is full. */
const NO_ROOM = ['ER_RECORD_FILE_FULL', 'ER_DISK_FULL', 'ENOSPC']
/** Where it is not there, or goes away in the middle. */
const AWAY = [
  'ECONNREFUSED',
  'PROTOCOL_CONNECTION_LOST',
  'ECONNRESET',
  'ETIMEDOUT',
  'EPIPE',
  'ER_SERVER_SHUTDOWN',
  'ER_CON_COUNT_ERROR',
]
/** Where all hands are busy: no connection became free, or others held what was wanted. Nothing was done. */
const BUSY = ['POOL_BUSY', 'ER_LOCK_WAIT_TIMEOUT', 'ER_LOCK_DEADLOCK']
/** Where what was sent does not fit what is kept. */
const UNFIT = [
  'ER_DATA_TOO_LONG',
  'ER_TRUNCATED_WRONG_VALUE',
  'ER_WARN_DATA_OUT_OF_RANGE',
  'ER_CANT_AGGREGATE_2COLLATIONS',
]
/** Where somebody else was quicker: it is there already, or what it refers to has gone. */
const OVERTAKEN = ['ER_DUP_ENTRY', 'ER_NO_REFERENCED_ROW_2', 'ER_NO_REFERENCED_ROW', 'ER_ROW_IS_REFERENCED_2']

/**
 * What a request is told of an error that nobody thought of. What the database refuses by its own rules is told apart from a
 * fault of ours; none tells what happened inside.
 */
export function unexpected(error: Error, log: Log): Problem {
  const code = (error as { code?: string }).code ?? ''
  if (NO_ROOM.includes(code)) {
    log.error({ code }, 'the disk is full')
    return diskFull()
  }
  if (AWAY.includes(code)) {
    log.error({ code }, 'database away')
    return new Problem(503, 'database-away', words('server.database-does-not'), { retryAfter: 2 })
  }
  if (BUSY.includes(code)) {
    log.warn({ code }, 'busy')
    return busy()
  }
  if (UNFIT.includes(code)) return badInput(words('server.something-request-longer'))
  if (OVERTAKEN.includes(code)) return notNow(words('server.somebody-else-changed'))
  log.error({ code, name: error.name, stack: error.stack }, 'error')
  return new Problem(500, 'fault', words('server.something-went-wrong'))
}
