/** Worker thread that reads MIDI files, plays their parts on the project's instruments, weighs them, and makes of them what is kept. */
import { outlineOf, type Outline } from '@rudlo/core/analysis'
import { measureLoudness } from '@rudlo/core/loudness'
import { linesFromMidi, type MidiSong } from '@rudlo/core/midi'
import { readScore } from '@rudlo/core/score'
import { INSTRUMENTS, playWritten } from '@rudlo/core/players'
import type { WrittenPart } from '@rudlo/core/song'
import { SAMPLE_RATE, TempoMap, type TempoChange } from '@rudlo/core/time'
import { badInput } from '../../http/problem'
import { answering } from '../../jobs/answering'
import { assetOf, type AssetBytes } from '../audio/asset-bytes'
import { heldTake, inFloats, writeTake, type Take } from './take'
import { weigh, type Weighed, type WeighTask } from './weigh'

export type BroughtLines = ReturnType<typeof linesFromMidi>

/** What is asked of the thread. */
export type NotesTask =
  | { readonly kind: 'read'; readonly bytes: Uint8Array }
  | {
      readonly kind: 'play'
      readonly part: WrittenPart
      readonly tempo: readonly TempoChange[]
      /** Ticks of the whole piece. */
      readonly length: number
      readonly file: string
    }
  | WeighTask
  | {
      readonly kind: 'keep'
      readonly take: Take
      readonly gain: number
      /** Amplitude, before the gain, that its peaks are held down to. */
      readonly ceiling: number
    }

/** A take, and what it is like in broad strokes. */
export interface Played {
  readonly take: Take
  readonly outline: Outline
}

/** What it answers, by kind. */
export interface NotesAnswers {
  read: {
    readonly midi: MidiSong
    /** The lines that each of its parts brings along. */
    readonly lines: readonly BroughtLines[]
    /** Seconds that all notes sound together. */
    readonly sounding: number
  }
  play: Played
  weigh: Weighed
  keep: AssetBytes
}
export type NotesAnswer = NotesAnswers[keyof NotesAnswers]

type Of<K extends NotesTask['kind']> = Extract<NotesTask, { kind: K }>

function soundingOf({ tempo, parts }: MidiSong): number {
  const map = new TempoMap(tempo)
  let seconds = 0
  for (const { notes } of parts)
    for (const { tick, ticks } of notes) seconds += map.secondsAt(tick + ticks) - map.secondsAt(tick)
  return seconds
}

function read({ bytes }: Of<'read'>): NotesAnswers['read'] {
  try {
    const midi = readScore(bytes)
    return { midi, lines: midi.parts.map(linesFromMidi), sounding: soundingOf(midi) }
  } catch (error) {
    throw badInput((error as Error).message)
  }
}

async function play({ part, tempo, length, file }: Of<'play'>): Promise<Played> {
  const channels = playWritten(part, INSTRUMENTS[part.player], tempo, length)
  await writeTake(file, channels)
  const [left, right] = channels.map(inFloats)
  const { integrated } = measureLoudness(SAMPLE_RATE, right ? [left!, right] : [left!])
  return {
    take: { file, channels: right ? 2 : 1, frames: left!.length, loudness: integrated },
    outline: outlineOf(channels),
  }
}

function louder(samples: Int16Array, gain: number): Int16Array {
  const out = new Int16Array(samples.length)
  for (let n = 0; n < out.length; n++) out[n] = Math.round(samples[n]! * gain)
  return out
}

async function keep({ take, gain, ceiling }: Of<'keep'>): Promise<AssetBytes> {
  return assetOf((await heldTake(take, ceiling)).map((channel) => louder(channel, gain)))
}

export default answering<NotesTask, NotesAnswer>((task) => {
  switch (task.kind) {
    case 'read':
      return read(task)
    case 'play':
      return play(task)
    case 'weigh':
      return weigh(task)
    case 'keep':
      return keep(task)
  }
})
