import type { CommandReport } from '@rudlo/contract/works'
import type { Patch, WorkDocument } from '@rudlo/core/mix'

/** What is sent to save a work. */
export interface SaveRequest {
  readonly revision: number
  /** Known again by the server when it is sent twice. */
  readonly save: string
  readonly patch: Patch
  readonly commands: readonly CommandReport[]
}

/** What has not reached the server yet. */
export interface UnsentWork {
  readonly workId: string
  /** The newest revision that the server is known to have. */
  readonly revision: number
  readonly document: WorkDocument
  /** A save that was sent and not answered: it may have arrived. */
  readonly sent: SaveRequest | null
  /** What was done besides, oldest first; not there in copies of earlier versions. */
  readonly commands?: readonly CommandReport[]
}
