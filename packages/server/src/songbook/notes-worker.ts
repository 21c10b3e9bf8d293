/** Worker thread that reads MIDI files and plays their parts on the project's instruments. */
import { linesFromMidi, readMidi, type MidiPart, type MidiSong } from '@rudlo/core/midi'
import { TempoMap } from '@rudlo/core/time'
import { playNotes, type Frame } from '@rudlo/demo'
import { badInput } from '../http/problem'
import { answering } from '../jobs/answering'
import { assetOf, type AssetBytes } from './asset-bytes'

export type BroughtLines = ReturnType<typeof linesFromMidi>

/** A file to read, or a part to play. */
export type NotesTask =
  | { readonly bytes: Uint8Array }
  | { readonly part: Pick<MidiPart, 'program' | 'drums' | 'notes'>; readonly frame: Frame }

/** A file that was read, with the lines that each of its parts brings along; or what is kept of a part that was played. */
export type NotesAnswer =
  | {
      readonly midi: MidiSong
      readonly lines: readonly BroughtLines[]
      /** Seconds that all notes sound together. */
      readonly sounding: number
    }
  | { readonly played: AssetBytes }

function soundingOf({ tempo, parts }: MidiSong): number {
  const map = new TempoMap(tempo)
  let seconds = 0
  for (const { notes } of parts)
    for (const { tick, ticks } of notes) seconds += map.secondsAt(tick + ticks) - map.secondsAt(tick)
  return seconds
}

function read(bytes: Uint8Array): NotesAnswer {
  try {
    const midi = readMidi(bytes)
    return { midi, lines: midi.parts.map(linesFromMidi), sounding: soundingOf(midi) }
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

export default answering<NotesTask, NotesAnswer>(async (task) =>
  'bytes' in task ? read(task.bytes) : { played: await assetOf(playNotes(task.part, task.frame)) },
)
