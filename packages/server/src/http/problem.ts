import type { ContentfulStatusCode } from 'hono/utils/http-status'

/** The one shape of an error that leaves the server. */
export interface ProblemBody {
  readonly error: {
    readonly code: string
    /** One clear sentence for a person. */
    readonly message: string
    readonly [detail: string]: unknown
  }
}

/** Whatever a request is refused with. */
export class Problem extends Error {
  constructor(
    readonly status: ContentfulStatusCode,
    readonly code: string,
    message: string,
    readonly details: Readonly<Record<string, unknown>> = {},
  ) {
    super(message)
  }

  get body(): ProblemBody {
    return { error: { code: this.code, message: this.message, ...this.details } }
  }
}

export const badInput = (message: string) => new Problem(400, 'bad-input', message)
export const notSignedIn = () => new Problem(401, 'not-signed-in', 'Please sign in.')
export const ownPasswordFirst = () =>
  new Problem(403, 'own-password-first', 'Choose a password of your own first.')
/** For what does not exist and for what is somebody else's: the two cannot be told apart from outside. */
export const notFound = () => new Problem(404, 'not-found', 'There is nothing here for you.')
export const notNow = (message: string, details?: Record<string, unknown>) =>
  new Problem(409, 'not-now', message, details)
/** All hands are busy: nothing was done, and it is worth trying again soon. */
export const busy = () =>
  new Problem(503, 'busy', 'The server has a lot to do just now. Nothing was changed; please try again.', {
    retryAfter: 2,
  })
