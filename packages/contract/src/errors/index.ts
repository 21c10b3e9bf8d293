/**
 * Every code that an answer other than a success can carry, with what it means to whoever asked. The status in brackets is the
 * one it comes with.
 */
export const ERROR_CODES = {
  'bad-input': 'Something in the request is not as it must be (400).',
  'not-signed-in': 'Nobody is signed in here (401).',
  'wrong-password':
    'Name and password do not belong together (401), or the present password is another one (403).',
  'own-password-first': 'A password that somebody else gave has to be changed first (403).',
  'wrong-code': 'The one-time code of the first teacher is another one, or was used (403).',
  'other-origin': 'A write came from the page of another site (403).',
  'not-yours': 'It can be seen, but only others may change it (403).',
  'not-found': 'It is not there, or it is nothing for whoever asked (404).',
  'not-now': 'It clashes with how things stand, mostly since somebody else was quicker (409).',
  'too-large': 'More was sent than can be taken (413).',
  'other-host': 'The server is not reached under this name (421).',
  'slow-down': 'Too many wrong passwords: `Retry-After` says how long to wait (429).',
  fault: 'Something went wrong on the server; nothing was changed (500).',
  busy: 'The server has a lot to do: nothing was changed, and it is worth trying again soon (503).',
  'database-away': 'The database does not answer just now; nothing is lost (503).',
  'disk-full': 'There is no room on the disk of the server (507).',
  'no-decoder': 'What reads audio files is not installed on the server (503).',
} as const
export type ErrorCode = keyof typeof ERROR_CODES

/** The one shape of an error that leaves the server. */
export interface ErrorAnswer {
  readonly error: {
    readonly code: ErrorCode
    /** One clear sentence for a person. */
    readonly message: string
    /** Seconds after which it is worth trying again. */
    readonly retryAfter?: number
    /** Pieces of a file that have arrived, where one came out of turn. */
    readonly arrived?: number
    /** What the server has, where a save was based on something older. */
    readonly newest?: unknown
  }
}

/** Whether something that was answered is an error of this server. */
export function isErrorAnswer(value: unknown): value is ErrorAnswer {
  if (typeof value !== 'object' || value === null || !('error' in value)) return false
  const { error } = value
  return (
    typeof error === 'object' &&
    error !== null &&
    'code' in error &&
    typeof error.code === 'string' &&
    error.code in ERROR_CODES &&
    'message' in error &&
    typeof error.message === 'string'
  )
}
