import { words } from '@rudlo/words'
import { TICKS_PER_QUARTER, type MeterChange, type TempoChange } from '../time'
import { unpack, type RawEvent, type RawFile } from './raw-file'

/** A note of a MIDI file, in ticks of 960 to a quarter. */
export interface MidiNote {
  readonly tick: number
  readonly ticks: number
  readonly pitch: number
  /** 0…1. */
  readonly strength: number
}

/** A controller that moved, 0…127. */
export interface MidiMove {
  readonly tick: number
  readonly value: number
}

/**
 * Controllers that a mix knows: volume, pan, expression, attack time, brightness, reverb send, chorus send (MIDI 1.0,
 * General MIDI 2).
 */
export const MIX_CONTROLLERS = [7, 10, 11, 73, 74, 91, 93] as const
export type MixController = (typeof MIX_CONTROLLERS)[number]

/** What one channel of a MIDI file plays. */
export interface MidiPart {
  readonly name: string
  /** 0…127 of General MIDI. */
  readonly program: number
  readonly drums: boolean
  readonly notes: readonly MidiNote[]
  readonly moves: Readonly<Partial<Record<MixController, readonly MidiMove[]>>>
}

/** A MIDI file as music. */
export interface MidiSong {
  readonly title: string
  /** Ticks of 960 to a quarter. */
  readonly length: number
  readonly tempo: readonly TempoChange[]
  readonly meter: readonly MeterChange[]
  readonly markers: readonly { readonly tick: number; readonly text: string }[]
  readonly parts: readonly MidiPart[]
}

export const MIDI_LIMITS = { bytes: 4 * 1024 * 1024, tracks: 128, events: 400_000, quarters: 20_000 } as const

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
    if (t === 0) title = name
    for (const [channel, reader] of channels) {
      const { notes, program, moves } = reader.end(length)
      if (notes.length) parts.push({ name, program, drums: channel === DRUMS, notes, moves })
      for (const n of notes) length = Math.max(length, n.tick + n.ticks)
    }
  })
  if (!parts.length) throw new RangeError(words('midi.plays'))
  return {
    title,
    length,
    tempo: inOrder(tempo, { tick: 0, bpm: 120, form: 'hold' }),
    meter: inOrder(meter, { tick: 0, beats: 4, unit: 4 }),
    markers: markers.sort((a, b) => a.tick - b.tick).slice(0, 200),
    parts: parts.slice(0, 64),
  }
}

/** The package's parser, behind checks of everything that it believes without looking. */
function parsed(bytes: Uint8Array): RawFile {
  if (bytes.length > MIDI_LIMITS.bytes) throw new RangeError(words('midi.more'))
  const text = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4))
  if (bytes.length < 14 || text(0) !== 'MThd') throw new RangeError(words('midi.no'))
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const format = view.getUint16(8)
  if (format > 1) throw new RangeError(words('midi.holds'))
  let tracks = 0
  let at = 8 + view.getUint32(4)
  while (at + 8 <= bytes.length) {
    const size = view.getUint32(at + 4)
    if (at + 8 + size > bytes.length) throw new RangeError(words('midi.cut'))
    if (text(at) === 'MTrk') tracks++
    at += 8 + size
  }
  if (!tracks || tracks < view.getUint16(10)) throw new RangeError(words('midi.tracks-missing'))
  if (tracks > MIDI_LIMITS.tracks)
    throw new RangeError(words('midi.tracks', { n: tracks, most: MIDI_LIMITS.tracks }))
  let file: RawFile
  try {
    file = unpack(bytes)
  } catch {
    throw new RangeError(words('midi.damaged'))
  }
  if (file.tracks.reduce((sum, t) => sum + t.length, 0) > MIDI_LIMITS.events)
    throw new RangeError(words('midi.too-many'))
  return file
}

/** Follows one channel of a track: notes, held by the pedal where it is down, program, controllers. */
class ChannelReader {
  readonly #sounding = new Map<number, { tick: number; strength: number }[]>()
  readonly #held: { pitch: number; tick: number; strength: number }[] = []
  readonly #notes: MidiNote[] = []
  readonly #moves = new Map<MixController, MidiMove[]>()
  #pedal = false
  #program = 0

  take(event: RawEvent, tick: number): void {
    const { type, noteNumber: pitch = 0, velocity = 0, controllerType, value = 0 } = event
    if (type === 'noteOn' && velocity > 0) {
      const list = this.#sounding.get(pitch) ?? []
      list.push({ tick, strength: Math.min(1, velocity / 127) })
      this.#sounding.set(pitch, list)
    } else if (type === 'noteOff' || type === 'noteOn') this.#release(pitch, tick)
    else if (type === 'programChange') this.#program = Math.min(127, Math.max(0, event.programNumber ?? 0))
    else if (type === 'controller' && controllerType === 64) this.#press(value >= 64, tick)
    else if (type === 'controller' && isMix(controllerType)) {
      const list = this.#moves.get(controllerType) ?? []
      list.push({ tick, value: Math.min(127, Math.max(0, value)) })
      this.#moves.set(controllerType, list)
    }
  }

  end(length: number): Pick<MidiPart, 'notes' | 'program' | 'moves'> {
    this.#press(false, length)
    for (const [pitch, list] of this.#sounding) for (const note of list) this.#keep(pitch, note, length)
    return {
      notes: this.#notes.sort((a, b) => a.tick - b.tick || a.pitch - b.pitch),
      program: this.#program,
      moves: Object.fromEntries(this.#moves),
    }
  }

  #release(pitch: number, tick: number): void {
    const note = this.#sounding.get(pitch)?.shift()
    if (!note) return
    if (this.#pedal) this.#held.push({ pitch, ...note })
    else this.#keep(pitch, note, tick)
  }

  #press(down: boolean, tick: number): void {
    if (this.#pedal && !down) for (const note of this.#held.splice(0)) this.#keep(note.pitch, note, tick)
    this.#pedal = down
  }

  #keep(pitch: number, { tick, strength }: { tick: number; strength: number }, end: number): void {
    if (pitch >= 0 && pitch <= 127)
      this.#notes.push({ tick, ticks: Math.max(1, end - tick), pitch, strength })
  }
}

const isMix = (controller: number | undefined): controller is MixController =>
  (MIX_CONTROLLERS as readonly number[]).includes(controller ?? -1)

const cleaned = (text = '') =>
  text
    // eslint-disable-next-line no-control-regex -- names in MIDI files come with padding of all kinds
    .replace(/[\u0000-\u001f\u007f]/g, ' ')
    .trim()
    .slice(0, 120)

const bpmOf = (microseconds: number) =>
  Math.min(1000, Math.max(5, Math.round(60_000_000_000 / microseconds) / 1000))

function meterOf({ numerator = 4, denominator = 4 }: RawEvent, tick: number): MeterChange {
  const unit = UNITS.find((u) => u === denominator)
  if (!unit || numerator < 1 || numerator > 64)
    throw new RangeError(words('midi.time-signature', { numerator, denominator }))
  return { tick, beats: numerator, unit }
}

/** Changes in order, the last one of each place, from tick 0 on. */
function inOrder<T extends { readonly tick: number }>(changes: readonly T[], first: T): T[] {
  const byTick = new Map(changes.map((c) => [c.tick, c]))
  if (!byTick.has(0)) byTick.set(0, first)
  return [...byTick.values()].sort((a, b) => a.tick - b.tick).slice(0, 5000)
}
