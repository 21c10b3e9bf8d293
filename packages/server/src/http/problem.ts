import { words } from '@rudlo/words'
import type { ErrorAnswer, ErrorCode } from '@rudlo/contract/errors'
import type { ContentfulStatusCode } from 'hono/utils/http-status'

/** Whatever a request is refused with. */
export class Problem extends Error {
  constructor(
    readonly status: ContentfulStatusCode,
    readonly code: ErrorCode,
    message: string,
    readonly details: Omit<ErrorAnswer['error'], 'code' | 'message'> = {},
  ) {
    super(message)
  }

  get body(): ErrorAnswer {
    return { error: { code: this.code, message: this.message, ...this.details } }
  }
}

export const badInput = (message: string) => new Problem(400, 'bad-input', message)
export const notSignedIn = () => new Problem(401, 'not-signed-in', words('server.please-sign'))
export const ownPasswordFirst = () =>
  new Problem(403, 'own-password-first', words('server.choose-password-own'))
/** For what does not exist and for what is somebody else's: the two cannot be told apart from outside. */
export const notFound = () => new Problem(404, 'not-found', words('server.nothing'))
export const notNow = (message: string, details?: Problem['details']) =>
  new Problem(409, 'not-now', message, details)
/** For what is more than can be taken. */
export const tooLarge = (message: string) => new Problem(413, 'too-large', message)
/** All hands are busy: nothing was done, and it is worth trying again soon. */
export const busy = () =>
  new Problem(503, 'busy', words('server.server-busy-right'), {
    retryAfter: 2,
  })
