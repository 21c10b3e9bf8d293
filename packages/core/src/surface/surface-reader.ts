import { MidiParser, type MidiMessage } from './midi-parser'
import type { Source, SurfaceMap, TouchNote } from './surface-map'

/** What a hand on a surface did. Places are travel, 0…1. */
export type SurfaceEvent =
  | { readonly kind: 'fader' | 'knob'; readonly strip: number; readonly travel: number }
  | { readonly kind: 'touch'; readonly strip: number; readonly on: boolean }
  | { readonly kind: 'bank'; readonly by: 1 | -1 }
  | { readonly kind: 'play' | 'stop' }

const COARSE = 127
const FINE = 16_383

/** Reads the bytes of a surface as events, by its map. What the map does not know is passed over. */
export class SurfaceReader {
  readonly #parser = new MidiParser()
  /** The coarse halves of controllers of two. */
  readonly #coarse = new Map<number, number>()

  constructor(private readonly map: SurfaceMap) {}

  feed(bytes: Iterable<number>): SurfaceEvent[] {
    return this.#parser.feed(bytes).flatMap((message) => this.#read(message) ?? [])
  }

  #read(message: MidiMessage): SurfaceEvent | null {
    if (message.kind === 'start') return { kind: 'play' }
    if (message.kind === 'stop') return { kind: 'stop' }
    if (message.kind === 'note') return this.#note(message)
    for (const [kind, sources] of [
      ['fader', this.map.faders],
      ['knob', this.map.knobs],
    ] as const) {
      for (const [strip, source] of sources.entries()) {
        const travel = this.#travel(message, source)
        if (travel !== null) return { kind, strip, travel }
      }
    }
    return null
  }

  #note(message: MidiMessage & { kind: 'note' }): SurfaceEvent | null {
    const is = (note: TouchNote | null) =>
      note !== null && note.channel === message.channel && note.note === message.note
    const strip = this.map.touches.findIndex(is)
    if (strip >= 0) return { kind: 'touch', strip, on: message.on }
    if (!message.on) return null
    if (is(this.map.back)) return { kind: 'bank', by: -1 }
    return is(this.map.forth) ? { kind: 'bank', by: 1 } : null
  }

  /** Where a source stands by a message; null where the message is not its own, or the fine half is still to come. */
  #travel(message: MidiMessage, source: Source | null): number | null {
    if (!source) return null
    if (message.kind === 'bend')
      return source.kind === 'bend' && source.channel === message.channel ? message.value / FINE : null
    if (message.kind !== 'control' || source.kind === 'bend' || source.channel !== message.channel)
      return null
    const { controller, value } = message
    if (source.kind === 'control') return controller === source.controller ? value / COARSE : null
    const key = source.channel * 128 + source.controller
    if (controller === source.controller) {
      this.#coarse.set(key, value)
      return null
    }
    if (controller !== source.controller + 32) return null
    return (((this.#coarse.get(key) ?? 0) << 7) | value) / FINE
  }
}
