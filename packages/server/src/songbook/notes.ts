import { randomUUID } from 'node:crypto'
import { linesFromMidi, readMidi, type BroughtLine, type MidiPart, type MidiSong } from '@rudlo/core/midi'
import { addReturn, addSend, plainMix, playingOf, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import { letterOf, type SongVersion } from '@rudlo/core/song'
import { MeterMap, TempoMap } from '@rudlo/core/time'
import { playerFor } from '@rudlo/demo'
import { badInput } from '../http/problem'
import type { WorkerPool } from '../jobs/worker-pool'
import type { Assets } from './assets'
import { LONGEST_SECONDS } from './decode'
import type { NotesTask } from './notes-worker'

/** Bars that are left for the last notes to die away. */
const AFTER = 1

/** What became of a MIDI file: a song that is not kept yet, and a mix with the lines that came along. */
export interface FromNotes {
  readonly document: SongVersion
  /** The moves that the file holds of volume, pan, sends and how it is played, as lines; null where it holds none. */
  readonly mix: Mix | null
}

/** Songs from notes: a MIDI file, played by the project's own instruments. */
export class Notes {
  constructor(
    private readonly assets: Assets,
    private readonly players: WorkerPool<NotesTask, Int16Array[]>,
  ) {}

  /** @throws Problem 400 with one sentence for what is no MIDI file or too long */
  async play(bytes: Uint8Array, name: string): Promise<FromNotes> {
    const midi = readOr400(bytes)
    const meter = new MeterMap(midi.meter)
    const bars = meter.placeAt(Math.max(0, midi.length - 1)).bar + AFTER
    const seconds = new TempoMap(midi.tempo).secondsAt(meter.barStart(bars + 1))
    if (seconds > LONGEST_SECONDS)
      throw badInput(
        `This piece is longer than ${LONGEST_SECONDS / 60} minutes: cut it before you bring it in.`,
      )
    const frame = { bars, tempo: midi.tempo, meter: midi.meter }
    const played = await Promise.all(
      midi.parts.map(async (part) => {
        const channels = await this.players.run({ part, frame })
        return { part, channels, asset: await this.assets.keep(channels) }
      }),
    )
    const document = songOf(midi, played, meter.barStart(bars + 1), midi.title || name)
    return { document, mix: mixOf(document, midi.parts) }
  }
}

function readOr400(bytes: Uint8Array): MidiSong {
  try {
    return readMidi(bytes)
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

function songOf(
  { tempo, meter, markers }: MidiSong,
  played: readonly { part: MidiPart; channels: readonly Int16Array[]; asset: string }[],
  length: number,
  title: string,
): SongVersion {
  const names = new Set<string>()
  const tracks = played.map(({ part, channels }) => {
    const player = playerFor(part.program, part.drums)
    let name = part.name || player.name
    for (let n = 2; names.has(name); n++) name = `${part.name || player.name} ${n}`
    names.add(name)
    return {
      id: randomUUID(),
      name,
      role: player.role,
      channels: channels.length === 2 ? (2 as const) : (1 as const),
      played: true,
    }
  })
  const begins = markers.filter((m, i) => m.tick < length && (i === 0 || m.tick > markers[i - 1]!.tick))
  const sections = [...(begins[0]?.tick === 0 ? [] : [{ tick: 0, text: '' }]), ...begins]
  const assets = new Map(
    played.map(({ asset, channels }) => [
      asset,
      { id: asset, channels: channels.length as 1 | 2, frames: channels[0]!.length },
    ]),
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
    regions: played.map(({ asset, channels }, i) => ({
      id: randomUUID(),
      track: tracks[i]!.id,
      asset,
      start: 0,
      offset: 0,
      length: channels[0]!.length,
    })),
    assets: [...assets.values()],
  }
}

/** The lines that the parts bring along, on the plainest mix; null where they bring none. */
function mixOf(song: SongVersion, parts: readonly MidiPart[]): Mix | null {
  const plain = plainMix(song)
  const brought = parts.map((part, i) => ({ track: song.tracks[i]!.id, lines: linesFromMidi(part) }))
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
    mix = addReturn(mix, name, kind, { back, effect: randomUUID() })
    for (const { track, lines } of sent) {
      const send = randomUUID()
      mix = addSend(mix, track, back, send)
      take(`send/${send}/level`, lines[word])
    }
  }
  return mix === plain ? null : mix
}

const RETURNS = [
  { word: 'reverb', name: 'Hall', kind: 'reverb' },
  { word: 'chorus', name: 'Chorus', kind: 'flanger' },
] as const
