import { measurementOf, type Measurement } from '../assess'
import { evidenceOf, type Evidence, type MoreEvidence } from '../evidence'
import {
  balanceOf,
  energies,
  hear,
  hearPicture,
  picturesAsked,
  type Heard,
  type HeardCache,
  type Picture,
  type PictureAsked,
  type SectionBalance,
} from '../heard'
import type { AudioStore } from '../engine'
import { integratedLoudness, loudnessRange, loudnessTrace } from '../loudness'
import { mistakeName, mistakesOf, type Mistake } from '../mistakes'
import type { Mix } from '../mix'
import type { SongVersion } from '../song'
import type { Brief } from './brief'
import { askedOf, judgeTasks, type JudgedTask } from './verdicts'

/** A mistake as it is stored: without its repair, which is made anew where it is wanted. */
export type FoundMistake = Omit<Mistake, 'repair'> & { readonly name: string }

/** What came out of a brief for one mix. Plain data, kept as JSON. */
export interface Assessment {
  readonly version: 2
  readonly tasks: readonly JudgedTask[]
  /** The same checks on the starting mix: what it was before. */
  readonly before: readonly JudgedTask[]
  /** Worst first. */
  readonly mistakes: readonly FoundMistake[]
  /** The starting mix: how loud it is in LUFS, and who is how loud in it; missing where it was measured before this was. */
  readonly start?: { readonly integrated: number | null; readonly balance: readonly SectionBalance[] }
  /** What is heard of each task, by its id; missing where it was measured before there were pictures. */
  readonly pictures?: Readonly<Record<string, readonly Picture[]>>
}

/** Everything that is measured of one work. */
export interface Assessed {
  readonly measurement: Measurement
  readonly assessment: Assessment
}

/** A work to be assessed by a brief. */
export interface ToAssess {
  readonly song: SongVersion
  readonly start: Mix
  readonly mix: Mix
  readonly brief: Pick<Brief, 'tasks' | 'open'>
  readonly more: Pick<MoreEvidence, 'commands' | 'writing'>
  /** Whether pictures of what is heard are made, too: for what is to be looked at. */
  readonly pictured: boolean
}

/** A mistake without its repair, under its name. */
export function storedMistake({ kind, severity, place, says }: Mistake): FoundMistake {
  const name = mistakeName(kind)
  return { kind, name, severity, place, says }
}

/** Judges tasks and finds mistakes. */
export function assess(evidence: Evidence, before: Evidence, brief: Pick<Brief, 'tasks'>): Assessment {
  return {
    version: 2,
    tasks: judgeTasks(evidence, brief.tasks),
    before: judgeTasks(before, brief.tasks),
    mistakes: mistakesOf(evidence).map(storedMistake),
  }
}

/**
 * Renders a work, measures it, judges its tasks and finds its mistakes. The same in a worker of the browser and on the
 * server.
 * @returns null where `onProgress` stopped it
 */
export function assessWork(
  { song, start, mix, brief, more, pictured }: ToAssess,
  audio: AudioStore,
  cache: HeardCache,
  onProgress: (share: number) => boolean = () => true,
): Assessed | null {
  const wanted = new Map(
    pictured ? brief.tasks.map((task) => [task.id, picturesAsked(song, mix, task)] as const) : [],
  )
  const heard = hear(song, mix, audio, cache, {
    onProgress: (share) => onProgress(share * 0.4),
    bands: [...wanted.values()].flat().some(({ kind }) => kind === 'balance'),
  })
  const first =
    heard && hear(song, start, audio, cache, { onProgress: (share) => onProgress(0.4 + share * 0.4) })
  if (!heard || !first) return null
  const pictures = pictured
    ? picturesOf({ song, mix, wanted }, audio, cache, (share) => onProgress(0.8 + share * 0.2))
    : undefined
  if (pictures === null) return null
  const asked = askedOf(brief.tasks)
  const evidence = evidenceOf(song, start, mix, { ...more, open: brief.open, heard, first, asked })
  const before = evidenceOf(song, start, start, { open: brief.open, heard: first, first, asked })
  return {
    measurement: { ...measurementOf(song, mix, loudnessOf(heard)), balance: balanceOf(song, heard) },
    assessment: {
      ...assess(evidence, before, brief),
      start: { integrated: loudnessOf(first).integrated, balance: balanceOf(song, first) },
      ...(pictures ? { pictures } : {}),
    },
  }
}

/** The pictures that are wanted for every task, by its id; null where it was stopped. */
function picturesOf(
  {
    song,
    mix,
    wanted,
  }: Pick<ToAssess, 'song' | 'mix'> & { readonly wanted: ReadonlyMap<string, readonly PictureAsked[]> },
  audio: AudioStore,
  cache: HeardCache,
  onProgress: (share: number) => boolean,
): Record<string, readonly Picture[]> | null {
  const found: Record<string, readonly Picture[]> = {}
  for (const [i, [task, asked]] of [...wanted].entries()) {
    const made = asked.map((one, k) =>
      hearPicture(song, mix, audio, one, cache, (share) =>
        onProgress((i + (k + share) / asked.length) / wanted.size),
      ),
    )
    if (!made.every((picture): picture is Picture => picture !== null)) return null
    found[task] = made
  }
  return found
}

function loudnessOf({ mix, peaks }: Heard) {
  const energy = energies(mix)
  return {
    integrated: integratedLoudness(energy),
    range: loudnessRange(energy),
    truePeak: peaks.reduce((a, b) => Math.max(a, b), -Infinity),
    momentary: loudnessTrace(energy, 4),
  }
}
