import type { PrivateDatabase } from './mariadb.mjs'

/** A whole installation with a database of its own: see installation.mjs. */
export class Installation {
  constructor(
    demo: boolean,
    options?: {
      gc?: boolean
      from?: string
      folder?: string
      classes?: number
      pace?: number
      rehearse?: boolean
    },
  )
  readonly database: PrivateDatabase
  readonly port: number
  readonly address: string
  readonly code: string | null
  start(): Promise<this>
  startServer(): Promise<void>
  killServer(): Promise<void>
  stop(): Promise<void>
}
