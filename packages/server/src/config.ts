import 'reflect-metadata'
import { readFileSync } from 'node:fs'
import { plainToInstance, Transform } from 'class-transformer'
import { IsBoolean, IsInt, IsOptional, IsString, Max, Min, MinLength, validateSync } from 'class-validator'
import type { DatabaseSettings } from './database/data-source'

/** A port as text in the environment. */
const AsNumber = () => Transform(({ value }: { value: unknown }) => Number(value))
/** A switch as text in the environment: "1" for on; or as it is where nothing is said. */
const AsFlag = () => Transform(({ value }: { value: unknown }) => value === '1' || value === true)
const IsPort = (): PropertyDecorator => (target, property) => {
  for (const rule of [IsInt(), Min(0), Max(65_535)]) rule(target, property)
}

/** Where the database is. Everybody who opens it is told this: server, command line, backup. */
class DatabaseVariables {
  @IsString()
  @MinLength(1)
  RUDLO_DB_HOST!: string

  @AsNumber()
  @IsPort()
  RUDLO_DB_PORT!: number

  @IsString()
  @MinLength(1)
  RUDLO_DB_USER!: string

  @IsString()
  RUDLO_DB_PASSWORD!: string

  @IsString()
  @MinLength(1)
  RUDLO_DB_NAME!: string
}

/** What a server is told by whoever starts it; `docs/running.md` has every one of them. */
class ServerVariables extends DatabaseVariables {
  /** The port that it listens on. */
  @AsNumber()
  @IsPort()
  RUDLO_PORT!: number

  /** Whether an empty installation is filled with the demo. */
  @AsFlag()
  @IsBoolean()
  RUDLO_DEMO!: boolean

  /** How many classes of the demo there are; all where it is not said. Tests need the first alone. */
  @IsOptional()
  @Transform(({ value }: { value: unknown }) => (value === undefined ? undefined : Number(value)))
  @IsInt()
  @Min(1)
  RUDLO_DEMO_CLASSES?: number

  /** How many times as fast the demo's songs are played. Tests need no more than their bars. */
  @AsNumber()
  @IsInt()
  @Min(1)
  RUDLO_DEMO_PACE = 1

  /** Whether it rehearses measuring a while after its start; it does where nothing else is said. */
  @AsFlag()
  @IsBoolean()
  RUDLO_REHEARSE = true

  /** Folder of the built web application; none serves no pages. */
  @IsOptional()
  @IsString()
  RUDLO_WEB?: string

  /** The log file; none writes no log. */
  @IsOptional()
  @IsString()
  RUDLO_LOG?: string

  /** The folder that files lie in while they come in; one of the machine's for files of the moment where it is not said. */
  @IsOptional()
  @IsString()
  RUDLO_UPLOADS?: string

  /** A folder on the disk of the database, where that is a disk of this machine. */
  @IsOptional()
  @IsString()
  RUDLO_DISK?: string

  /** Further names by which people reach this installation, with commas between. */
  @IsOptional()
  @IsString()
  RUDLO_HOSTS?: string

  /** Whether a reverse proxy stands in front. */
  @AsFlag()
  @IsBoolean()
  RUDLO_PROXY = false

  /** Whether it serves the local network, over HTTPS. */
  @AsFlag()
  @IsBoolean()
  RUDLO_LAN = false

  @IsOptional()
  @IsString()
  RUDLO_TLS_KEY?: string

  @IsOptional()
  @IsString()
  RUDLO_TLS_CERT?: string
}

/** What a server works with. */
export interface Config {
  readonly database: DatabaseSettings
  readonly port: number
  readonly demo: boolean
  readonly demoClasses: number | undefined
  readonly demoPace: number
  readonly rehearse: boolean
  readonly web: string | undefined
  readonly log: string | undefined
  readonly disk: string | undefined
  readonly uploads: string | undefined
  readonly hosts: readonly string[]
  readonly proxied: boolean
  /** Key and certificate for a network; null where it serves this machine alone. */
  readonly tls: { readonly key: Buffer; readonly cert: Buffer } | null
}

/** @throws RangeError with a sentence that names the first variable that is wrong */
function read<T extends object>(type: new () => T, environment: NodeJS.ProcessEnv): T {
  const variables = plainToInstance(type, { ...new type(), ...environment })
  const fault = validateSync(variables, { skipMissingProperties: false })[0]
  if (fault) {
    const missing = environment[fault.property] === undefined
    const reason = missing ? 'is not set' : (Object.values(fault.constraints ?? {})[0] ?? 'is not valid')
    throw new RangeError(`${fault.property}: ${reason}. Start Rudlo with npm.`)
  }
  return variables
}

const databaseOf = (v: DatabaseVariables): DatabaseSettings => ({
  host: v.RUDLO_DB_HOST,
  port: v.RUDLO_DB_PORT,
  username: v.RUDLO_DB_USER,
  password: v.RUDLO_DB_PASSWORD,
  database: v.RUDLO_DB_NAME,
})

/** The database that the environment names. @throws RangeError where it names none */
export const connectionFrom = (environment: NodeJS.ProcessEnv): DatabaseSettings =>
  databaseOf(read(DatabaseVariables, environment))

/** What the starter passes in the environment. @throws RangeError with a sentence for what is wrong */
export function configFrom(environment: NodeJS.ProcessEnv): Config {
  const v = read(ServerVariables, environment)
  const file = (name: string | undefined) => readFileSync(name ?? '')
  return {
    database: databaseOf(v),
    port: v.RUDLO_PORT,
    demo: v.RUDLO_DEMO,
    demoClasses: v.RUDLO_DEMO_CLASSES,
    demoPace: v.RUDLO_DEMO_PACE,
    rehearse: v.RUDLO_REHEARSE,
    web: v.RUDLO_WEB,
    log: v.RUDLO_LOG,
    disk: v.RUDLO_DISK,
    uploads: v.RUDLO_UPLOADS,
    hosts: (v.RUDLO_HOSTS ?? '')
      .split(',')
      .map((h) => h.trim())
      .filter(Boolean),
    proxied: v.RUDLO_PROXY,
    tls: v.RUDLO_LAN ? { key: file(v.RUDLO_TLS_KEY), cert: file(v.RUDLO_TLS_CERT) } : null,
  }
}
