import type { DataSource } from 'typeorm'
import { KnownBrowser, Limit, Session, Setting } from '../access/entities'
import { Assignment, Exception } from '../assignments/entities'
import { HandIn } from '../handins/entities'
import { Presence } from '../lesson/entities'
import { Happening } from '../live/entities'
import {
  FormerMember,
  Group,
  JoinRequest,
  Membership,
  Person,
  SetAsideMember,
  TrailEntry,
} from '../people/entities'
import { BankRemarkRow, Remark, Reply, Review, Spoken } from '../reviews/entities'
import { Asset, AssetChunk, Song, SongVersionAsset, SongVersionRow, Upload } from '../songbook/entities'
import { ExcusedWork, GradeSchemeRow, MarkChange, OverallGrade } from '../grades/entities'
import { HandInFigure, SmallGroup, SmallGroupMember, StudentNote } from '../term/entities'
import { SurfacesRow } from '../surfaces/entities'
import { OpenedHint, TaskTries, Try, Work, WorkCommand, WorkPatch } from '../works/entities'
import { GuardedDataSource } from './guarded-source'
import { Drafts1764800000000 } from './migrations/1764800000000-drafts'
import { Limits1764900000000 } from './migrations/1764900000000-limits'
import { ArchivedSongs1765100000000 } from './migrations/1765100000000-archived-songs'
import { Overrules1765000000000 } from './migrations/1765000000000-overrules'
import { SpokenRemarks1765200000000 } from './migrations/1765200000000-spoken-remarks'
import { Term1765300000000 } from './migrations/1765300000000-term'
import { StartMix1765400000000 } from './migrations/1765400000000-start-mix'
import { WorkPatches1765500000000 } from './migrations/1765500000000-work-patches'
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
  Drafts1764800000000,
  Limits1764900000000,
  Overrules1765000000000,
  ArchivedSongs1765100000000,
  SpokenRemarks1765200000000,
  Term1765300000000,
  StartMix1765400000000,
  WorkPatches1765500000000,
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
      SetAsideMember,
      TrailEntry,
      Session,
      KnownBrowser,
      Limit,
      Setting,
      Song,
      SongVersionRow,
      SongVersionAsset,
      Asset,
      AssetChunk,
      Assignment,
      Work,
      WorkCommand,
      WorkPatch,
      Try,
      HandIn,
      Review,
      Remark,
      Reply,
      Spoken,
      BankRemarkRow,
      Happening,
      Presence,
      SurfacesRow,
      Upload,
      Exception,
      OpenedHint,
      TaskTries,
      HandInFigure,
      StudentNote,
      SmallGroup,
      SmallGroupMember,
      GradeSchemeRow,
      OverallGrade,
      ExcusedWork,
      MarkChange,
    ],
    migrations: [...migrations],
    poolSize: POOL_SIZE,
    // where a query was made from is not noted: that costs more than many a query
    extra: { connectTimeout: 5000, trace: false },
  })
}
