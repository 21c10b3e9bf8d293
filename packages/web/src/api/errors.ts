import { t } from '../words/t'
import type { ErrorAnswer, ErrorCode } from '@rudlo/contract/errors'

/** What the server refused, with its sentence for people. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: ErrorCode,
    message: string,
    readonly details: Partial<ErrorAnswer['error']> = {},
  ) {
    super(message)
  }
}

/** The server could not be reached, or its database could not: worth trying again. */
export class Unreachable extends Error {
  constructor() {
    super(t('ui.unreachable'))
  }
}
