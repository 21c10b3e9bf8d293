import { briefOnSong, LESSONS, type BriefTask } from '@rudlo/core/brief'
import { plainMix, type Mix } from '@rudlo/core/mix'
import { server, told } from '../../api/client'
import { t } from '../../words/t'

/** What a new assignment starts from. */
export type Source = 'template' | 'copy' | 'model' | 'empty'

/** What was chosen. */
export interface Chosen {
  readonly source: Source
  /** Version of the song. */
  readonly song: string
  /** Which of the usual lessons. */
  readonly lesson: number
  /** The assignment that is copied. */
  readonly copy: string
  /** Whether the copy goes on the chosen song, where that is another one. */
  readonly onSong?: boolean
}

/** Song, mix, brief and model that a new assignment begins with. @throws ApiError or Unreachable */
export async function beginning({ source, song, lesson, copy, onSong }: Chosen) {
  if (source === 'copy') return onSong ? copyOnSong(copy, song) : copyOf(copy)
  const { document, mix: brought } = await told(server.songs[':version'].$get({ param: { version: song } }))
  // levels, pans and moves that came along with the notes of a song are where it begins
  const mix = brought ?? plainMix(document)
  const task: BriefTask =
    source === 'template'
      ? LESSONS[lesson]!.make(document, mix, () => crypto.randomUUID())
      : {
          id: crypto.randomUUID(),
          title: t('new.first-task'),
          text: '',
          lanes: [],
          from: 0,
          to: document.length,
          checks: [],
          hints: [],
          weight: 1,
        }
  const brief = { purpose: '', open: [], answers: 'played', hintsAfter: 1, repairs: true, tasks: [task] }
  return { songVersion: song, startingMix: mix, brief, model: null }
}

/** A copy of an assignment on another song, and what is otherwise then. */
export async function copyOnSong(copy: string, song: string) {
  const from = await told(server.assignments[':assignment'].$get({ param: { assignment: copy } }))
  const { document } = await told(server.songs[':version'].$get({ param: { version: song } }))
  // teachers get the whole brief
  if (!from.settings) throw new Error(t('ui.fault'))
  const { brief, startingMix, differences } = briefOnSong(
    from.brief,
    from.startingMix,
    from.songDocument,
    document,
  )
  return { songVersion: song, startingMix, brief, model: null, differences }
}

async function copyOf(assignment: string) {
  const param = { assignment }
  const from = await told(server.assignments[':assignment'].$get({ param }))
  const model: Mix | null = from.hasModel
    ? (await told(server.assignments[':assignment'].model.$get({ param }))).mix
    : null
  return { songVersion: from.songVersion, startingMix: from.startingMix, brief: from.brief, model }
}
