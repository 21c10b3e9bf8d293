/** A private MariaDB under a folder: see mariadb.mjs. */
export class PrivateDatabase {
  constructor(folder: string)
  readonly connection: { host: string; port: number; username: string; password: string; database: string }
  start(): Promise<this>
  stop(): Promise<void>
  kill(): Promise<void>
  onDeath?: () => void
}
export function freePort(): Promise<number>
