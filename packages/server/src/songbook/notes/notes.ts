import { words } from '@rudlo/words'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { BroughtSong } from '@rudlo/contract/songbook'
import { balanceParts, proposeSections, type Outline } from '@rudlo/core/analysis'
import { dbOfGain, gainOfDb } from '@rudlo/core/maths'
import { songTitle, type MidiPart, type MidiSong } from '@rudlo/core/midi'
import { playerFor, writtenFromMidi } from '@rudlo/core/players'
import type { SongVersion } from '@rudlo/core/song'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { badInput, busy } from '../../http/problem'
import type { WorkerPool } from '../../jobs/worker-pool'
import type { Assets } from '../assets'
import { LONGEST_SECONDS } from '../audio/decode'
import { broughtMix, levelled } from './mix'
import { songOf, type PlayedPart } from './song'
import type { Take } from './take'
import type { NotesAnswer, NotesAnswers, NotesTask } from './worker'

/** Bars that are left for the last notes to die away. */
const AFTER = 1

/**
 * What playing one file may take: minutes of all parts together (an orchestra of 32 parts for five minutes), and seconds of all
 * notes together. A few bytes of a MIDI file can ask for hours of either.
 */
export const NOTES_LIMITS = { partMinutes: 160, noteSeconds: 100_000 } as const

/** Parts of one file that are played at a time. */
const AT_ONCE = 2
/** Files that can wait to be played. */
const MOST_FILES = 8

/** Songs from notes: a MIDI file, played by the project's own instruments. */
export class Notes {
  #files = 0

  constructor(
    private readonly assets: Assets,
    private readonly players: Pick<WorkerPool<NotesTask, NotesAnswer>, 'run'>,
  ) {}

  /** @throws Problem 400 with one sentence for what is no MIDI file or too long, 503 where too many wait */
  async play(bytes: Uint8Array, fileName = ''): Promise<BroughtSong> {
    if (this.#files >= MOST_FILES) throw busy()
    this.#files++
    const folder = await mkdtemp(join(tmpdir(), 'rudlo-notes-'))
    try {
      return await this.#play(bytes, fileName, folder)
    } finally {
      this.#files--
      await rm(folder, { recursive: true, force: true })
    }
  }

  async #play(bytes: Uint8Array, fileName: string, folder: string): Promise<BroughtSong> {
    const { midi, lines, sounding } = await this.#ask({ kind: 'read', bytes }, true)
    const meter = new MeterMap(midi.meter)
    const bars = meter.placeAt(Math.max(0, midi.length - 1)).bar + AFTER
    const length = meter.barStart(bars + 1)
    checkWork(midi.parts.length, new TempoMap(midi.tempo).secondsAt(length), sounding)
    const written = midi.parts.map((part) => writtenFromMidi(part))
    const all = await severally(written, (part, i) =>
      this.#ask({ kind: 'play', part, tempo: midi.tempo, length, file: join(folder, String(i)) }),
    )
    const takes = all.map((p) => p.take)
    const gains = balanceParts(
      takes.map((take, i) => ({ ...roleOf(midi.parts[i]!), loudness: take.loudness })),
    )
    const draft = draftOf(midi, takes, length)
    const { louder, ceilings, brought } = await this.#ask({
      kind: 'weigh',
      song: draft,
      takes,
      gains,
      brought: broughtMix(draft, lines),
    })
    const played = await severally(takes, async (take, i): Promise<PlayedPart> => {
      const [gain, ceiling] = [gainOfDb(gains[i]! + louder), Math.min(1, ceilings[i]!)]
      const kept = await this.#ask({ kind: 'keep', take, gain, ceiling })
      await this.assets.store(kept)
      const { id: asset, channels, frames } = kept
      // a take is at full scale: what is left of that is its peak
      const peak = Math.min(1, gain * ceiling)
      const crest = ceiling < 1 ? { crest: dbOfGain(ceiling) - (take.loudness ?? 0) } : {}
      return { part: midi.parts[i]!, written: { ...written[i]!, ...crest, peak }, asset, channels, frames }
    })
    const sections = midi.markers.length
      ? midi.markers
      : sectionsHeard(
          midi,
          all.map((p) => p.outline),
          bars,
        )
    const document = songOf(
      { ...midi, markers: sections },
      played,
      length,
      midi.title || titleOfFile(fileName),
    )
    const mix = broughtMix(document, lines)
    return { document, mix: mix && levelled(mix, brought), doubtfulTitle: midi.doubtfulTitle }
  }

  async #ask<K extends NotesTask['kind']>(
    task: Extract<NotesTask, { kind: K }>,
    urgent = false,
  ): Promise<NotesAnswers[K]> {
    return (await this.players.run(task, urgent)) as NotesAnswers[K]
  }
}

/** A few at a time, in order: those of the next file come in between. */
async function severally<In, Out>(
  list: readonly In[],
  work: (item: In, i: number) => Promise<Out>,
): Promise<Out[]> {
  const done: Out[] = []
  const left = [...list.entries()]
  const workOn = async () => {
    for (let next = left.shift(); next; next = left.shift()) done[next[0]] = await work(next[1], next[0])
  }
  await Promise.all(Array.from({ length: AT_ONCE }, workOn))
  return done
}

function roleOf({ program, drums, notes }: MidiPart) {
  const strength = notes.reduce((sum, n) => sum + n.strength, 0) / Math.max(1, notes.length)
  return { role: playerFor(program, drums).role, strength }
}

/** Where sections seem to begin in a file that names none. */
function sectionsHeard(midi: MidiSong, outlines: readonly Outline[], bars: number): MidiSong['markers'] {
  const [meter, tempo] = [new MeterMap(midi.meter), new TempoMap(midi.tempo)]
  const begins = Array.from({ length: bars + 1 }, (_, i) => tempo.secondsAt(meter.barStart(i + 1)))
  return proposeSections(outlines, begins).map((bar) => ({ tick: meter.barStart(bar + 1), text: '' }))
}

/** The song with takes in place of what will be kept of them: enough to weigh it. */
function draftOf(midi: MidiSong, takes: readonly Take[], length: number): SongVersion {
  const played = takes.map((take, i) => ({
    ...take,
    part: midi.parts[i]!,
    written: writtenFromMidi({ ...midi.parts[i]!, notes: [], bends: [] }),
    asset: i.toString(16).padStart(64, '0'),
  }))
  return songOf(midi, played, length, '')
}

const titleOfFile = (fileName: string) =>
  songTitle(
    fileName
      .replace(/\.(midi?|musicxml|mxl|xml)$/i, '')
      .replace(/[_]+/g, ' ')
      .trim(),
  ) || words('new-name.song')

/** @throws Problem 400 where a piece is longer, or more to play, than can be taken */
function checkWork(parts: number, seconds: number, sounding: number): void {
  if (seconds > LONGEST_SECONDS)
    throw badInput(words('upload.piece-longer-minutes', { most: LONGEST_SECONDS / 60 }))
  if ((parts * seconds) / 60 > NOTES_LIMITS.partMinutes)
    throw badInput(words('upload.parts-minutes-more', { parts, minutes: Math.round(seconds / 60) }))
  if (sounding > NOTES_LIMITS.noteSeconds) throw badInput(words('upload.piece-more-notes'))
}
