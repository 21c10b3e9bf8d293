import {
  MIX_CONTROLLERS,
  type MidiBend,
  type MidiMove,
  type MidiNote,
  type MixController,
  type Slide,
} from './events'
import { Portamento } from './portamento'
import type { RawEvent } from './raw-file'

/** What was played on a channel with one program. */
export interface Played {
  readonly program: number
  readonly notes: readonly MidiNote[]
  readonly bends: readonly MidiBend[]
  readonly moves: Readonly<Partial<Record<MixController, readonly MidiMove[]>>>
}

/** Controllers that are followed beside those of a mix (MIDI 1.0, table 3). */
const PEDAL = 64
const DATA = 6
const FINE_DATA = 38
const REGISTERED = 100
const REGISTERED_MSB = 101
const ALL_RESET = 121
/** Whatever sounds is silent at once; all keys are up (channel mode messages of MIDI 1.0). */
const ALL_SOUND_OFF = 120
const ALL_NOTES_OFF = 123
/** Registered parameter 0: how far the wheel bends, in semitones and hundredths. */
const BEND_RANGE = 0
const NO_PARAMETER = 0x3fff
/** Semitones of the wheel where a file does not say (General MIDI 1). */
const USUAL_RANGE = 2
/** The wheel goes from −8192 to 8191. */
const WHEEL = 8192
/** More than so many changes of the wheel are left out. */
const MOST_BENDS = 20_000

interface Held {
  readonly tick: number
  readonly strength: number
  readonly program: number
  readonly slide?: Slide
}

/** Follows one channel of a track: notes, held by the pedal where it is down, sliding or not, program, wheel,
 * controllers. */
export class ChannelReader {
  readonly #sounding = new Map<number, Held[]>()
  readonly #held: (Held & { readonly pitch: number })[] = []
  readonly #notes = new Map<number, MidiNote[]>()
  readonly #moves = new Map<MixController, MidiMove[]>()
  readonly #bends: MidiBend[] = []
  readonly #portamento = new Portamento()
  #pedal = false
  #program = 0
  #parameter = NO_PARAMETER
  #range = USUAL_RANGE
  #wheel = 0

  take(event: RawEvent, tick: number): void {
    const { type, noteNumber: pitch = 0, velocity = 0, controllerType, value = 0 } = event
    if (type === 'noteOn' && velocity > 0) {
      const list = this.#sounding.get(pitch) ?? []
      const slide = this.#portamento.begin(pitch, tick)
      const strength = Math.min(1, velocity / 127)
      list.push({ tick, strength, program: this.#program, ...(slide && { slide }) })
      this.#sounding.set(pitch, list)
    } else if (type === 'noteOff' || type === 'noteOn') this.#release(pitch, tick)
    else if (type === 'programChange') this.#program = Math.min(127, Math.max(0, event.programNumber ?? 0))
    else if (type === 'pitchBend') this.#bend(value / WHEEL, tick)
    else if (type === 'controller') this.#control(controllerType ?? -1, value, tick)
  }

  /** What was played, a part for each program that notes were played with. */
  end(length: number): Played[] {
    this.#press(false, length)
    this.#lift(length)
    return [...this.#notes].map(([program, notes]) => ({
      program,
      notes: notes.sort((a, b) => a.tick - b.tick || a.pitch - b.pitch),
      bends: this.#bends,
      moves: Object.fromEntries(this.#moves),
    }))
  }

  #control(controller: number, value: number, tick: number): void {
    if (controller === PEDAL) this.#press(value >= 64, tick)
    else if (controller === REGISTERED_MSB) this.#parameter = (value << 7) | (this.#parameter & 127)
    else if (controller === REGISTERED) this.#parameter = (this.#parameter & ~127) | value
    else if (controller === DATA && this.#parameter === BEND_RANGE) this.#setRange(value, tick)
    else if (controller === FINE_DATA && this.#parameter === BEND_RANGE)
      this.#setRange(Math.floor(this.#range) + Math.min(99, value) / 100, tick)
    else if (controller === ALL_RESET) {
      this.#press(false, tick)
      this.#bend(0, tick)
      this.#portamento.reset()
    } else if (controller === ALL_NOTES_OFF) this.#lift(tick)
    else if (controller === ALL_SOUND_OFF) {
      this.#lift(tick)
      this.#letGo(tick)
    } else if (isMix(controller)) {
      const list = this.#moves.get(controller) ?? []
      list.push({ tick, value: Math.min(127, Math.max(0, value)) })
      this.#moves.set(controller, list)
    } else this.#portamento.control(controller, value)
  }

  #setRange(semitones: number, tick: number): void {
    this.#range = Math.min(24, semitones)
    if (this.#wheel) this.#bend(this.#wheel, tick)
  }

  #bend(wheel: number, tick: number): void {
    this.#wheel = Math.min(1, Math.max(-1, wheel))
    const semitones = Math.round(this.#wheel * this.#range * 100) / 100
    const last = this.#bends.at(-1)
    if (semitones === (last?.semitones ?? 0)) return
    if (last?.tick === tick) this.#bends.pop()
    if (this.#bends.length < MOST_BENDS) this.#bends.push({ tick, semitones })
  }

  #release(pitch: number, tick: number): void {
    const note = this.#sounding.get(pitch)?.shift()
    if (!note) return
    if (this.#pedal) this.#held.push({ pitch, ...note })
    else this.#keep({ pitch, ...note }, tick)
  }

  /** All keys go up; what the pedal holds goes on. */
  #lift(tick: number): void {
    for (const [pitch, list] of this.#sounding) while (list.length) this.#release(pitch, tick)
  }

  #press(down: boolean, tick: number): void {
    if (!down) this.#letGo(tick)
    this.#pedal = down
  }

  /** Ends what the pedal holds. */
  #letGo(tick: number): void {
    for (const note of this.#held.splice(0)) this.#keep(note, tick)
  }

  #keep({ pitch, tick, strength, program, slide }: Held & { readonly pitch: number }, end: number): void {
    if (pitch < 0 || pitch > 127) return
    const notes = this.#notes.get(program) ?? []
    notes.push({ tick, ticks: Math.max(1, end - tick), pitch, strength, ...(slide && { slide }) })
    this.#notes.set(program, notes)
  }
}

const isMix = (controller: number): controller is MixController =>
  (MIX_CONTROLLERS as readonly number[]).includes(controller)
