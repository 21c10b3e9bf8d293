import { randomUUID } from 'node:crypto'
import type { MidiPart, MidiSong } from '@rudlo/core/midi'
import { playerFor } from '@rudlo/core/players'
import { letterOf, MOST_NOTES, type SongVersion, type WrittenPart } from '@rudlo/core/song'

/** A part of a file, as it was written for its instrument, and what it sounds like. */
export interface PlayedPart {
  readonly part: MidiPart
  readonly written: WrittenPart
  readonly asset: string
  readonly channels: 1 | 2
  readonly frames: number
}

/** A name for each part: the file's, or else that of its instrument; numbered where there are several of one. */
export function namesOf(parts: readonly MidiPart[]): string[] {
  const names = new Set<string>()
  return parts.map((part) => {
    const plain = part.name || playerFor(part.program, part.drums).name
    let name = plain
    for (let n = 2; names.has(name); n++) name = `${plain} ${n}`
    names.add(name)
    return name
  })
}

/** The song that parts make together. */
export function songOf(
  { tempo, meter, markers }: MidiSong,
  played: readonly PlayedPart[],
  length: number,
  title: string,
): SongVersion {
  // of very many notes a song keeps none: it stays in the tempo that it was played in
  const keeps = played.reduce((sum, { part }) => sum + part.notes.length, 0) <= MOST_NOTES
  const names = namesOf(played.map(({ part }) => part))
  const tracks = played.map(({ part, written, channels }, i) => ({
    id: randomUUID(),
    name: names[i]!,
    role: playerFor(part.program, part.drums).role,
    channels,
    played: true,
    ...(keeps ? { part: written } : {}),
  }))
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
