import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { DataSource } from 'typeorm'
import { Access } from './access/service'
import { Guard } from './access/guard'
import { Installation } from './access/installation'
import { Permissions } from './access/permissions'
import { Sessions } from './access/sessions'
import { Archive } from './archive/service'
import { Assignments } from './assignments/service'
import { Briefs } from './assignments/briefs'
import { SeveralGroups } from './assignments/several-groups'
import { AssignmentWriting } from './assignments/writing'
import type { Log } from './http/log'
import { HandIns } from './handins/service'
import { Looks } from './handins/looks'
import { Partners } from './handins/partners'
import { Rehearsal } from './jobs/rehearsal'
import { Housekeeping } from './jobs/housekeeping'
import { MeasureQueue, type MeasureOptions } from './jobs/measure-queue'
import type { DecodeTask } from './jobs/decode-worker'
import type { Measured, MeasureTask } from './jobs/measure-worker'
import type { MixdownTask } from './jobs/mixdown-worker'
import { Recordings } from './jobs/recordings'
import { WorkerPool } from './jobs/worker-pool'
import { Lessons } from './lesson/service'
import { Watching } from './lesson/watching'
import { LiveLines } from './live/lines'
import { Happenings } from './live/happenings'
import { Groups } from './people/groups'
import { Joining } from './people/joining'
import { Leaving } from './people/leaving'
import { NextTerms } from './people/next-terms'
import { Rosters } from './people/rosters'
import { People } from './people/service'
import { RemarkBank } from './reviews/bank'
import { Marks } from './reviews/marks'
import { Remarks } from './reviews/remarks'
import { Reviews } from './reviews/service'
import type { AssetBytes } from './songbook/audio/asset-bytes'
import { Assets } from './songbook/assets'
import { Bundles } from './songbook/bundles'
import { Notes } from './songbook/notes/notes'
import type { Imported, ImportTask } from './songbook/import-worker'
import type { NotesAnswer, NotesTask } from './songbook/notes/worker'
import { ArrivingFiles } from './songbook/arriving'
import { Uploads } from './songbook/uploads'
import { Songs } from './songbook/songs'
import { ClassTerms } from './term/class-terms'
import { SmallGroups } from './term/small-groups'
import { StudentTerms } from './term/student-terms'
import { Today } from './term/today'
import { Grades } from './grades/service'
import { GradeTables } from './grades/tables'
import { Removal } from './removed/service'
import { Surfaces } from './surfaces/service'
import { Hints } from './works/hints'
import { Works } from './works/service'

/** Everything that the routes work with. */
export interface Services {
  readonly database: DataSource
  readonly installation: Installation
  readonly sessions: Sessions
  readonly guard: Guard
  readonly access: Access
  readonly groups: Groups
  readonly rosters: Rosters
  readonly nextTerms: NextTerms
  readonly people: People
  readonly joining: Joining
  readonly leaving: Leaving
  readonly permissions: Permissions
  readonly songs: Songs
  readonly assets: Assets
  readonly uploads: Uploads
  readonly notes: Notes
  readonly bundles: Bundles
  readonly works: Works
  readonly assignments: Assignments
  readonly briefs: Briefs
  readonly hints: Hints
  readonly writing: AssignmentWriting
  readonly severalGroups: SeveralGroups
  readonly handIns: HandIns
  readonly looks: Looks
  readonly partners: Partners
  readonly reviews: Reviews
  readonly remarks: Remarks
  readonly bank: RemarkBank
  readonly marks: Marks
  readonly lessons: Lessons
  readonly classTerms: ClassTerms
  readonly smallGroups: SmallGroups
  readonly studentTerms: StudentTerms
  readonly today: Today
  readonly grades: Grades
  readonly gradeTables: GradeTables
  readonly removal: Removal
  readonly archive: Archive
  readonly surfaces: Surfaces
  readonly measuring: MeasureQueue
  readonly happenings: Happenings
  readonly lines: LiveLines
  readonly housekeeping: Housekeeping
  readonly rehearsal: Rehearsal
  /** Folder of the built worker scripts. */
  readonly workers: URL
  /** Ends the worker threads. */
  close(): Promise<void>
}

export interface ServiceOptions extends MeasureOptions {
  readonly demo: boolean
  /** Folder of the built worker scripts. */
  readonly workers: URL
  readonly log: Log
  /** The folder that files lie in while they come in. */
  readonly uploads?: string | undefined
  /** Whether a reverse proxy stands in front: then it says where requests come from. */
  readonly proxied?: boolean
}

const THREADS = 2

export function createServices(database: DataSource, options: ServiceOptions): Services {
  const { demo, workers, log } = options
  const encoders = new WorkerPool<Int16Array[], AssetBytes>(
    new URL('flac-encoder-worker.js', workers),
    THREADS,
  )
  const measurers = new WorkerPool<MeasureTask, Measured>(new URL('measure-worker.js', workers), THREADS)
  const decoders = new WorkerPool<DecodeTask, Int16Array[]>(new URL('decode-worker.js', workers), THREADS)
  const players = new WorkerPool<NotesTask, NotesAnswer>(new URL('notes-worker.js', workers), THREADS)
  const mixers = new WorkerPool<MixdownTask, Uint8Array>(new URL('mixdown-worker.js', workers), THREADS)
  const importers = new WorkerPool<ImportTask, Imported>(new URL('import-worker.js', workers), THREADS)
  const arriving = new ArrivingFiles(options.uploads ?? join(tmpdir(), 'rudlo-uploads'))
  const songs = new Songs(database)
  const assets = new Assets(database, encoders)
  const briefs = new Briefs(database)
  const happenings = new Happenings(database, log)
  const severalGroups = new SeveralGroups(database)
  const recordings = new Recordings((id) => assets.file(id), decoders)
  const measuring = new MeasureQueue(database, { songs, recordings, happenings }, measurers, log, options)
  const sessions = new Sessions(database, happenings)
  const installation = new Installation(database, demo)
  const guard = new Guard(database, options.proxied ?? false, () => installation.secret())
  const people = new People(database, sessions, happenings)
  const uploads = new Uploads(database, assets, arriving, importers)
  const removal = new Removal(database, songs)
  const housekeeping = new Housekeeping({ uploads, assets, guard, removal }, log)
  const pools = [encoders, decoders, measurers, players, importers, mixers]
  const rehearsal = new Rehearsal(
    { measurers, decoders },
    THREADS,
    (reason) => log.error({ reason }, 'rehearsing failed'),
    { busy: () => pools.some((pool) => pool.isBusy) },
  )
  const handIns = new HandIns(database, measuring, briefs, happenings)
  const permissions = new Permissions(database, people)
  const reviews = new Reviews(database)
  const hints = new Hints(database, briefs)
  const smallGroups = new SmallGroups(database)
  const classTerms = new ClassTerms(database, songs, smallGroups)
  const grades = new Grades(database, classTerms)
  const studentTerms = new StudentTerms(database, classTerms)
  const gradeTables = new GradeTables(database, grades)
  const watching = new Watching(database, happenings, log)
  return {
    database,
    installation,
    sessions,
    guard,
    access: new Access(database, { sessions, installation, guard, people }),
    groups: new Groups(database),
    rosters: new Rosters(database, people),
    nextTerms: new NextTerms(database),
    people,
    joining: new Joining(database, happenings),
    leaving: new Leaving(database, songs, reviews, sessions),
    permissions,
    songs,
    assets,
    uploads,
    notes: new Notes(assets, players),
    bundles: new Bundles(songs, assets),
    works: new Works(database, songs, sessions),
    assignments: new Assignments(database, { songs, briefs, measuring }),
    briefs,
    hints,
    writing: new AssignmentWriting(database, songs, severalGroups),
    severalGroups,
    handIns,
    looks: new Looks(database, { handIns, reviews, hints }),
    partners: new Partners(database, guard, permissions),
    reviews,
    remarks: new Remarks(database, { permissions, songs, happenings }),
    bank: new RemarkBank(database),
    marks: new Marks(database),
    lessons: new Lessons(database, { happenings, songs, watching }),
    classTerms,
    smallGroups,
    studentTerms,
    today: new Today(database, classTerms, smallGroups),
    grades,
    removal,
    gradeTables,
    archive: new Archive(database, { songs, recordings, mixers, studentTerms, gradeTables, reviews }),
    surfaces: new Surfaces(database),
    measuring,
    happenings,
    lines: new LiveLines(happenings),
    housekeeping,
    rehearsal,
    workers,
    close: async () => {
      happenings.close()
      watching.close()
      housekeeping.close()
      rehearsal.close()
      measuring.close()
      await Promise.all(pools.map((pool) => pool.close()))
      await measuring.settled()
    },
  }
}
