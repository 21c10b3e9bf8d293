/** A private MariaDB under a folder: see mariadb.mjs. */
export class PrivateDatabase {
  constructor(folder: string, options?: { more?: string; withParent?: boolean })
  readonly connection: { host: string; port: number; username: string; password: string; database: string }
  readonly environment: Record<string, string>
  readonly folder: string
  readonly files: string
  readonly pid: number | null
  readonly foreign: boolean
  start(): Promise<this>
  stop(): Promise<void>
  kill(): Promise<void>
  endStray(): Promise<void>
  answers(): Promise<boolean>
  onDeath: (() => void) | null
}
export function freePort(): Promise<number>
