export interface Connection {
  readonly host: string
  readonly port: number
  readonly username: string
  readonly password: string
  readonly database: string
}
export function dump(connection: Connection, file: string): Promise<void>
export function isInUse(connection: Connection): Promise<boolean>
