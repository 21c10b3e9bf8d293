import { MidiParser, type MidiMessage } from './midi-parser'
import type { Source, TouchNote } from './surface-map'

/** What a control turned out to send. */
export interface Taught {
  readonly source: Source
  /** The note that was on while it was moved, where it has a touch sense. */
  readonly touch: TouchNote | null
}

/** So many messages of one controller without a fine half: it has none. */
const SURE = 3

/** Learns what one fader, knob or button of a surface sends, from the bytes that come while it is moved. */
export class Teacher {
  readonly #parser = new MidiParser()
  readonly #seen = new Map<string, number>()
  #touch: TouchNote | null = null

  /** @returns what the control sends, as soon as that is certain; null before */
  feed(bytes: Iterable<number>): Taught | null {
    for (const message of this.#parser.feed(bytes)) {
      const source = this.#learn(message)
      if (source) return { source, touch: this.#touch }
    }
    return null
  }

  /** @returns the note of a button that was pressed, as soon as there is one */
  button(bytes: Iterable<number>): TouchNote | null {
    for (const message of this.#parser.feed(bytes))
      if (message.kind === 'note' && message.on) return { channel: message.channel, note: message.note }
    return null
  }

  #learn(message: MidiMessage): Source | null {
    if (message.kind === 'note' && message.on) this.#touch = { channel: message.channel, note: message.note }
    if (message.kind === 'bend') return { kind: 'bend', channel: message.channel }
    if (message.kind !== 'control') return null
    const { channel, controller } = message
    const times = (of: number) => this.#seen.get(`${channel} ${of}`) ?? 0
    this.#seen.set(`${channel} ${controller}`, times(controller) + 1)
    // a controller of two halves says the coarse one first, and the fine one 32 further
    if (controller >= 32 && controller < 64 && times(controller - 32))
      return { kind: 'fine control', channel, controller: controller - 32 }
    return times(controller) >= SURE ? { kind: 'control', channel, controller } : null
  }
}
