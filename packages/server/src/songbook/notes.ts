import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import type { FromNotes } from '@rudlo/contract/songbook'
import type { BroughtLine, MidiPart, MidiSong } from '@rudlo/core/midi'
import { addReturn, addSend, plainMix, playingOf, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import { letterOf, MOST_NOTES, type SongVersion } from '@rudlo/core/song'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { playerFor } from '@rudlo/core/players'
import { writtenNotes, type Frame } from '@rudlo/demo'
import { badInput, busy } from '../http/problem'
import type { WorkerPool } from '../jobs/worker-pool'
import type { Assets } from './assets'
import { LONGEST_SECONDS } from './decode'
import type { AssetBytes } from './asset-bytes'
import type { BroughtLines, NotesAnswer, NotesTask } from './notes-worker'

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
  async play(bytes: Uint8Array, fileName = ''): Promise<FromNotes> {
    const name = fileName.replace(/\.midi?$/i, '').slice(0, 120) || words('new-name.song')
    if (this.#files >= MOST_FILES) throw busy()
    this.#files++
    try {
      return await this.#play(bytes, name)
    } finally {
      this.#files--
    }
  }

  async #play(bytes: Uint8Array, name: string): Promise<FromNotes> {
    const { midi, lines, sounding } = await this.#read(bytes)
    const meter = new MeterMap(midi.meter)
    const bars = meter.placeAt(Math.max(0, midi.length - 1)).bar + AFTER
    const seconds = new TempoMap(midi.tempo).secondsAt(meter.barStart(bars + 1))
    checkWork(midi.parts.length, seconds, sounding)
    const frame = { bars, tempo: midi.tempo, meter: midi.meter }
    const played: Played[] = []
    const left = [...midi.parts.entries()]
    const playOn = async () => {
      for (let next = left.shift(); next; next = left.shift())
        played[next[0]] = await this.#playPart(next[1], frame)
    }
    // a few parts at a time: those of the next file come in between
    await Promise.all(Array.from({ length: AT_ONCE }, playOn))
    const document = songOf(midi, played, meter.barStart(bars + 1), midi.title || name)
    return { document, mix: mixOf(document, lines) }
  }

  async #playPart(part: MidiPart, frame: Frame): Promise<Played> {
    const { program, drums, notes } = part
    const answer = await this.players.run({ part: { program, drums, notes }, frame })
    if (!('played' in answer)) throw new Error('A part was not played.')
    const { id: asset, channels, frames } = answer.played
    await this.assets.store(answer.played)
    return { part, asset, channels: channels === 2 ? 2 : 1, frames }
  }

  async #read(bytes: Uint8Array): Promise<Extract<NotesAnswer, { midi: unknown }>> {
    const answer = await this.players.run({ bytes }, true)
    if (!('midi' in answer)) throw new Error('A file was not read.')
    return answer
  }
}

interface Played extends Pick<AssetBytes, 'frames'> {
  readonly part: MidiPart
  readonly asset: string
  readonly channels: 1 | 2
}

/** @throws Problem 400 where a piece is longer, or more to play, than can be taken */
function checkWork(parts: number, seconds: number, sounding: number): void {
  if (seconds > LONGEST_SECONDS)
    throw badInput(words('upload.piece-longer-minutes', { most: LONGEST_SECONDS / 60 }))
  if ((parts * seconds) / 60 > NOTES_LIMITS.partMinutes)
    throw badInput(words('upload.parts-minutes-more', { parts, minutes: Math.round(seconds / 60) }))
  if (sounding > NOTES_LIMITS.noteSeconds) throw badInput(words('upload.piece-more-notes'))
}

function songOf(
  { tempo, meter, markers }: MidiSong,
  played: readonly Played[],
  length: number,
  title: string,
): SongVersion {
  const names = new Set<string>()
  // of very many notes a song keeps none: it stays in the tempo that it was played in
  const keeps = played.reduce((sum, { part }) => sum + part.notes.length, 0) <= MOST_NOTES
  const tracks = played.map(({ part, channels }) => {
    const player = playerFor(part.program, part.drums)
    let name = part.name || player.name
    for (let n = 2; names.has(name); n++) name = `${part.name || player.name} ${n}`
    names.add(name)
    const written = keeps ? writtenNotes(part) : undefined
    return {
      id: randomUUID(),
      name,
      role: player.role,
      channels,
      played: true,
      ...(written ? { part: written } : {}),
    }
  })
  const begins = markers.filter((m, i) => m.tick < length && (i === 0 || m.tick > markers[i - 1]!.tick))
  const sections = [...(begins[0]?.tick === 0 ? [] : [{ tick: 0, text: '' }]), ...begins]
  const assets = new Map(
    played.map(({ asset, channels, frames }) => [asset, { id: asset, channels, frames }]),
  )
  return {
    format: 'rudlo-song',
    version: 1,
    title: title.slice(0, 200),
    length,
    tempo,
    meter,
    // "A Opening" is letter and name, as this program writes them
    sections: sections.map(({ tick, text }, i) => ({
      id: randomUUID(),
      letter: letterOf(i),
      name: text.replace(new RegExp(`^${letterOf(i)}( |$)`), ''),
      tick,
    })),
    tracks,
    regions: played.map(({ asset, frames }, i) => ({
      id: randomUUID(),
      track: tracks[i]!.id,
      asset,
      start: 0,
      offset: 0,
      length: frames,
    })),
    assets: [...assets.values()],
  }
}

/** The lines that the parts bring along, on the plainest mix; null where they bring none. */
function mixOf(song: SongVersion, brings: readonly BroughtLines[]): Mix | null {
  const plain = plainMix(song)
  const brought = brings.map((lines, i) => ({ track: song.tracks[i]!.id, lines }))
  let mix = plain
  const take = (address: string, { setting, points }: BroughtLine) => {
    mix = withSetting(mix, address, setting)
    if (points.length) mix = withPoints(mix, address, points, randomUUID)
  }
  for (const { track, lines } of brought) {
    take(`track/${track}/level`, lines.level)
    take(`track/${track}/pan`, lines.pan)
    take(`effect/${playingOf(track)}/attack`, lines.attack)
    take(`effect/${playingOf(track)}/brightness`, lines.brightness)
  }
  // a return only where somebody is sent to it
  for (const { word, name, kind } of RETURNS) {
    const sent = brought.filter(({ lines }) => lines[word].points.length || lines[word].setting > -90)
    if (!sent.length) continue
    const back = randomUUID()
    mix = addReturn(mix, words(`new-name.${name}`), kind, { back, effect: randomUUID() })
    for (const { track, lines } of sent) {
      const send = randomUUID()
      mix = addSend(mix, track, back, send)
      take(`send/${send}/level`, lines[word])
    }
  }
  return mix === plain ? null : mix
}

const RETURNS = [
  { word: 'reverb', name: 'hall', kind: 'reverb' },
  { word: 'chorus', name: 'chorus', kind: 'flanger' },
] as const
