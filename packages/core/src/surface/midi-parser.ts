/** What a surface can say, of all that MIDI 1.0 has. Channels are 0 to 15, values as they are sent. */
export type MidiMessage =
  | {
      readonly kind: 'control'
      readonly channel: number
      readonly controller: number
      readonly value: number
    }
  | { readonly kind: 'note'; readonly channel: number; readonly note: number; readonly on: boolean }
  | { readonly kind: 'bend'; readonly channel: number; readonly value: number }
  | { readonly kind: 'start' }
  | { readonly kind: 'stop' }

/** Data bytes of a channel message by the upper half of its status. */
const DATA: Readonly<Record<number, number>> = { 8: 2, 9: 2, 10: 2, 11: 2, 12: 1, 13: 1, 14: 2 }

/**
 * Takes MIDI 1.0 bytes as they come, in any pieces: running status is kept, real-time bytes may stand between any others,
 * system exclusive is passed over.
 */
export class MidiParser {
  #status = 0
  #data: number[] = []
  #exclusive = false

  feed(bytes: Iterable<number>): MidiMessage[] {
    const messages: MidiMessage[] = []
    for (const byte of bytes) {
      const message = this.#take(byte & 0xff)
      if (message) messages.push(message)
    }
    return messages
  }

  #take(byte: number): MidiMessage | null {
    if (byte === 0xfa || byte === 0xfb) return { kind: 'start' }
    if (byte === 0xfc) return { kind: 'stop' }
    if (byte >= 0xf8) return null
    if (byte >= 0xf0) {
      this.#exclusive = byte === 0xf0
      this.#status = 0
      this.#data = []
      return null
    }
    if (byte >= 0x80) {
      this.#exclusive = false
      this.#status = byte
      this.#data = []
      return null
    }
    if (this.#exclusive || !this.#status) return null
    this.#data.push(byte)
    const kind = this.#status >> 4
    if (this.#data.length < DATA[kind]!) return null
    const [first = 0, second = 0] = this.#data
    this.#data = []
    const channel = this.#status & 15
    switch (kind) {
      case 8:
        return { kind: 'note', channel, note: first, on: false }
      case 9:
        return { kind: 'note', channel, note: first, on: second > 0 }
      case 11:
        return { kind: 'control', channel, controller: first, value: second }
      case 14:
        return { kind: 'bend', channel, value: first | (second << 7) }
      default:
        return null
    }
  }
}
