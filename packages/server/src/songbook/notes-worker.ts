/** Worker thread that plays a part of a MIDI file on one of the project's instruments. */
import { parentPort } from 'node:worker_threads'
import type { MidiPart } from '@rudlo/core/midi'
import { playNotes, type Frame } from '@rudlo/demo'

export interface NotesTask {
  readonly part: MidiPart
  readonly frame: Frame
}

parentPort!.on('message', ({ part, frame }: NotesTask) => {
  try {
    parentPort!.postMessage({ result: playNotes(part, frame) })
  } catch (error) {
    parentPort!.postMessage({ error: (error as Error).message })
  }
})
