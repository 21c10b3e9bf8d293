import { LONGEST_SLIDE } from '../song'
import type { Slide } from './events'

/** Controllers of sliding (MIDI 1.0, table 3): how long, whether, and from where the next note comes. */
const TIME = 5
const SWITCH = 65
const FROM = 84

/** Follows whether notes of a channel slide from one to the next. */
export class Portamento {
  #seconds = 0
  #isOn = false
  #source: number | null = null
  /** The newest note, and the one before its tick: notes of a chord slide from where the chord before them was. */
  #newest: { readonly tick: number; readonly pitch: number } | null = null
  #before: number | null = null

  /** Takes a controller, 0…127, if it is one of these. */
  control(controller: number, value: number): void {
    // neither MIDI nor General MIDI says how long: by the square, so that quick ones are told finely
    const share = Math.min(127, Math.max(0, value)) / 127
    if (controller === TIME) this.#seconds = LONGEST_SLIDE * share * share
    else if (controller === SWITCH) this.#isOn = value >= 64
    else if (controller === FROM) this.#source = Math.min(127, Math.max(0, value))
  }

  /** Off, as all controllers are reset. */
  reset(): void {
    this.#isOn = false
    this.#source = null
  }

  /** A note begins. @returns how it slides; undefined where it is there at once */
  begin(pitch: number, tick: number): Slide | undefined {
    if (this.#newest && this.#newest.tick < tick) this.#before = this.#newest.pitch
    this.#newest = { tick, pitch }
    // where the next note comes from is said for one note, also where sliding is off
    const from = this.#source ?? (this.#isOn ? this.#before : null)
    this.#source = null
    return from === null || from === pitch || this.#seconds === 0
      ? undefined
      : { from, seconds: Math.round(this.#seconds * 1000) / 1000 }
  }
}
