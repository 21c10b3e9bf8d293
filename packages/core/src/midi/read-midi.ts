import { words } from '@rudlo/words'
import { TICKS_PER_QUARTER, type MeterChange, type TempoChange } from '../time'
import { inOrder } from './in-order'
import { ChannelReader } from './channel-reader'
import type { MidiBend, MidiMove, MidiNote, MixController } from './events'
import { doubtfulTitle, partName, songTitle } from './names'
import { cleaned, MIDI_LIMITS, parsed } from './parse'
import type { RawEvent } from './raw-file'

/** What one channel of a MIDI file plays with one program. */
export interface MidiPart {
  /** What the file calls it, where that says anything of it; else empty. */
  readonly name: string
  /** 0…127 of General MIDI. */
  readonly program: number
  readonly drums: boolean
  readonly notes: readonly MidiNote[]
  readonly bends: readonly MidiBend[]
  readonly moves: Readonly<Partial<Record<MixController, readonly MidiMove[]>>>
}

/** A MIDI file as music. */
export interface MidiSong {
  /** What the file calls the piece; empty where it says nothing that a title could be. */
  readonly title: string
  /** A title that nobody would put before a class without being asked; empty where there is none. */
  readonly doubtfulTitle: string
  /** Ticks of 960 to a quarter. */
  readonly length: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
  readonly markers: readonly { readonly tick: number; readonly text: string }[]
  readonly parts: readonly MidiPart[]
}

const DRUMS = 9
const UNITS = [1, 2, 4, 8, 16, 32] as const

/**
 * Reads a Standard MIDI File of format 0 or 1: a part for every track and channel that plays notes.
 * @throws RangeError with one sentence for anything else, or for a damaged file
 */
export function readMidi(bytes: Uint8Array): MidiSong {
  const file = parsed(bytes)
  const perQuarter = file.header.ticksPerBeat
  if (!perQuarter) throw new RangeError(words('midi.counts'))
  const scale = (tick: number) => Math.round((tick * TICKS_PER_QUARTER) / perQuarter)
  const tempo: TempoChange[] = []
  const meter: MeterChange[] = []
  const markers: { tick: number; text: string }[] = []
  const parts: MidiPart[] = []
  let title = ''
  let length = 0
  file.tracks.forEach((track, t) => {
    let now = 0
    let name = ''
    const channels = new Map<number, ChannelReader>()
    for (const event of track) {
      now += event.deltaTime
      const tick = scale(now)
      if (tick > MIDI_LIMITS.quarters * TICKS_PER_QUARTER) throw new RangeError(words('midi.too'))
      if (event.channel !== undefined) {
        const reader = channels.get(event.channel) ?? new ChannelReader()
        channels.set(event.channel, reader)
        reader.take(event, tick)
      } else if (event.type === 'trackName') name ||= cleaned(event.text)
      else if (event.type === 'setTempo' && event.microsecondsPerBeat)
        tempo.push({ tick, bpm: bpmOf(event.microsecondsPerBeat), form: 'hold' })
      else if (event.type === 'timeSignature') meter.push(meterOf(event, tick))
      else if (event.type === 'marker' && event.text) markers.push({ tick, text: cleaned(event.text) })
      length = Math.max(length, tick)
    }
    const played = [...channels].flatMap(([channel, reader]) =>
      reader.end(length).map((part) => ({ drums: channel === DRUMS, ...part })),
    )
    // the first track says what the piece is called, unless it is one that plays by itself
    if (t === 0 && (played.length !== 1 || file.tracks.length === 1)) title = name
    // the name of a track with several instruments is none of theirs
    const own = played.length === 1 && name !== title ? partName(name) : ''
    for (const part of played) {
      parts.push({ name: own, ...part })
      for (const n of part.notes) length = Math.max(length, n.tick + n.ticks)
    }
  })
  if (!parts.length) throw new RangeError(words('midi.plays'))
  return {
    parts: parts.slice(0, 64).map((p) => (p.name === songTitle(title) ? { ...p, name: '' } : p)),
    title: songTitle(title),
    doubtfulTitle: doubtfulTitle(title),
    length,
    tempo: inOrder(tempo, { tick: 0, bpm: 120, form: 'hold' }),
    meter: inOrder(meter, { tick: 0, beats: 4, unit: 4 }),
    markers: inOrder(markers, null).slice(0, 200),
  }
}

const bpmOf = (microseconds: number) =>
  Math.min(1000, Math.max(5, Math.round(60_000_000_000 / microseconds) / 1000))

function meterOf({ numerator = 4, denominator = 4 }: RawEvent, tick: number): MeterChange {
  const unit = UNITS.find((u) => u === denominator)
  if (!unit || numerator < 1 || numerator > 64)
    throw new RangeError(words('midi.time-signature', { numerator, denominator }))
  return { tick, beats: numerator, unit }
}
