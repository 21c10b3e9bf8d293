export interface Connection {
  readonly host: string
  readonly port: number
  readonly username: string
  readonly password: string
  readonly database: string
}
export const MARK: string
export function dump(connection: Connection, file: string): Promise<void>
export function isInUse(connection: Connection): Promise<boolean>
export function checkDump(file: string): Promise<void>
export function load(connection: Connection, file: string): Promise<void>
