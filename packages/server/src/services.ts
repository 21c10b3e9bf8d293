import type { Assessed } from '@rudlo/core/brief'
import type { DataSource } from 'typeorm'
import { Installation } from './access/installation'
import { Permissions } from './access/permissions'
import { Sessions } from './access/sessions'
import { Briefs } from './assignments/briefs'
import { SeveralGroups } from './assignments/several-groups'
import { AssignmentWriting } from './assignments/writing'
import { HandIns } from './handins/hand-ins'
import { MeasureQueue } from './jobs/measure-queue'
import type { DecodeTask } from './jobs/decode-worker'
import type { MeasureTask } from './jobs/measure-worker'
import { Recordings } from './jobs/recordings'
import { WorkerPool } from './jobs/worker-pool'
import { Happenings } from './live/happenings'
import { Leaving } from './people/leaving'
import { People } from './people/people'
import { Assets } from './songbook/assets'
import { Bundles } from './songbook/bundles'
import { Notes } from './songbook/notes'
import type { NotesTask } from './songbook/notes-worker'
import { Uploads } from './songbook/uploads'
import { Songs } from './songbook/songs'
import { Hints } from './works/hints'
import { Works } from './works/works'

/** Everything that the routes work with. */
export interface Services {
  readonly database: DataSource
  readonly installation: Installation
  readonly sessions: Sessions
  readonly people: People
  readonly leaving: Leaving
  readonly permissions: Permissions
  readonly songs: Songs
  readonly assets: Assets
  readonly uploads: Uploads
  readonly notes: Notes
  readonly bundles: Bundles
  readonly works: Works
  readonly briefs: Briefs
  readonly hints: Hints
  readonly writing: AssignmentWriting
  readonly severalGroups: SeveralGroups
  readonly handIns: HandIns
  readonly measuring: MeasureQueue
  readonly happenings: Happenings
  /** Folder of the built worker scripts. */
  readonly workers: URL
  /** Ends the worker threads. */
  close(): Promise<void>
}

export interface ServiceOptions {
  readonly demo: boolean
  /** Folder of the built worker scripts. */
  readonly workers: URL
  readonly log: (line: string) => void
}

const THREADS = 2

export function createServices(database: DataSource, { demo, workers, log }: ServiceOptions): Services {
  const encoders = new WorkerPool<Int16Array[], Uint8Array>(
    new URL('flac-encoder-worker.js', workers),
    THREADS,
  )
  const measurers = new WorkerPool<MeasureTask, Assessed>(new URL('measure-worker.js', workers), THREADS)
  const decoders = new WorkerPool<DecodeTask, Int16Array[]>(new URL('decode-worker.js', workers), THREADS)
  const players = new WorkerPool<NotesTask, Int16Array[]>(new URL('notes-worker.js', workers), THREADS)
  const songs = new Songs(database)
  const assets = new Assets(database, encoders)
  const briefs = new Briefs(database)
  const happenings = new Happenings(database, log)
  const severalGroups = new SeveralGroups(database)
  const recordings = new Recordings((id) => assets.file(id), decoders)
  const measuring = new MeasureQueue(database, { songs, recordings, happenings }, measurers, log)
  const sessions = new Sessions(database)
  const handIns = new HandIns(database, measuring, briefs, happenings)
  return {
    database,
    installation: new Installation(database, demo),
    sessions,
    people: new People(database, sessions),
    leaving: new Leaving(database, songs, handIns),
    permissions: new Permissions(database),
    songs,
    assets,
    uploads: new Uploads(database, assets),
    notes: new Notes(assets, players),
    bundles: new Bundles(songs, assets),
    works: new Works(database, songs),
    briefs,
    hints: new Hints(database, briefs),
    writing: new AssignmentWriting(database, songs, severalGroups),
    severalGroups,
    handIns,
    measuring,
    happenings,
    workers,
    close: async () => {
      happenings.close()
      await Promise.all([encoders, decoders, measurers, players].map((pool) => pool.close()))
      await measuring.settled()
    },
  }
}
