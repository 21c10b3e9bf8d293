import type { DataSource } from 'typeorm'
import { Guess, KnownBrowser } from '../access/guess.entity'
import { Session } from '../access/session.entity'
import { Setting } from '../access/setting.entity'
import { Assignment } from '../assignments/assignment.entity'
import { Exception } from '../assignments/exception.entity'
import { HandIn } from '../handins/hand-in.entity'
import { Presence } from '../lesson/presence.entity'
import { Happening } from '../live/happening.entity'
import { FormerMember, Group, JoinRequest, Membership } from '../people/group.entity'
import { Person } from '../people/person.entity'
import { TrailEntry } from '../people/trail.entity'
import { BankRemarkRow, Remark, Reply, Review } from '../reviews/review.entity'
import { Asset, AssetChunk } from '../songbook/asset.entity'
import { Song, SongVersionAsset, SongVersionRow } from '../songbook/song.entity'
import { Upload, UploadChunk } from '../songbook/upload.entity'
import { Surfaces } from '../surfaces/surfaces.entity'
import { OpenedHint } from '../works/opened-hint.entity'
import { TaskTries } from '../works/task-tries.entity'
import { Try, Work, WorkCommand } from '../works/work.entity'
import { GuardedDataSource } from './guarded-source'
import { Harm1764700000000 } from './migrations/1764700000000-harm'
import { FirstSchema1764000000000 } from './migrations/1764000000000-first-schema'
import { Songbook1764500000000 } from './migrations/1764500000000-songbook'
import { SeveralGroups1764600000000 } from './migrations/1764600000000-several-groups'
import { Surfaces1764100000000 } from './migrations/1764100000000-surfaces'
import { Briefs1764200000000 } from './migrations/1764200000000-briefs'
import { Classes1764400000000 } from './migrations/1764400000000-classes'
import { Reviews1764300000000 } from './migrations/1764300000000-reviews'

export interface DatabaseSettings {
  readonly host: string
  readonly port: number
  readonly username: string
  readonly password: string
  readonly database: string
}

/**
 * The database that the starter names in the environment.
 * @throws RangeError where it names none
 */
export function connectionFrom(environment: NodeJS.ProcessEnv): DatabaseSettings {
  const need = (name: string) => {
    const value = environment[name]
    if (value === undefined) throw new RangeError(`${name} is not set: start Rudlo with npm.`)
    return value
  }
  return {
    host: need('RUDLO_DB_HOST'),
    port: Number(need('RUDLO_DB_PORT')),
    username: need('RUDLO_DB_USER'),
    password: need('RUDLO_DB_PASSWORD'),
    database: need('RUDLO_DB_NAME'),
  }
}

/** Connections that a server holds at most. */
export const POOL_SIZE = 16

/** Every change of the schema, oldest first. */
export const MIGRATIONS = [
  FirstSchema1764000000000,
  Surfaces1764100000000,
  Briefs1764200000000,
  Reviews1764300000000,
  Classes1764400000000,
  Songbook1764500000000,
  SeveralGroups1764600000000,
  Harm1764700000000,
] as const

/**
 * The database with every entity and migration. Schemas change through migrations only.
 * @param migrations fewer of them for one of an earlier version
 */
export function dataSource(
  settings: DatabaseSettings,
  migrations: readonly (typeof MIGRATIONS)[number][] = MIGRATIONS,
): DataSource {
  return new GuardedDataSource({
    type: 'mariadb',
    ...settings,
    charset: 'utf8mb4',
    timezone: 'Z',
    synchronize: false,
    entities: [
      Person,
      Group,
      Membership,
      JoinRequest,
      FormerMember,
      TrailEntry,
      Session,
      Guess,
      KnownBrowser,
      Setting,
      Song,
      SongVersionRow,
      SongVersionAsset,
      Asset,
      AssetChunk,
      Assignment,
      Work,
      WorkCommand,
      Try,
      HandIn,
      Review,
      Remark,
      Reply,
      BankRemarkRow,
      Happening,
      Presence,
      Surfaces,
      Upload,
      UploadChunk,
      Exception,
      OpenedHint,
      TaskTries,
    ],
    migrations: [...migrations],
    poolSize: POOL_SIZE,
    extra: { connectTimeout: 5000 },
  })
}
