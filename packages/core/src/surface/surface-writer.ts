import { clamp } from '../scale'
import type { Source, SurfaceMap } from './surface-map'

/** Bytes that say where a fader or knob stands; none where it was not taught. @param travel 0…1 */
export function motorBytes(source: Source | null, travel: number): number[] {
  if (!source) return []
  const place = clamp(travel, 0, 1)
  const fine = Math.round(place * 16_383)
  switch (source.kind) {
    case 'control':
      return [0xb0 | source.channel, source.controller, Math.round(place * 127)]
    case 'fine control':
      return [
        0xb0 | source.channel,
        source.controller,
        fine >> 7,
        0xb0 | source.channel,
        source.controller + 32,
        fine & 127,
      ]
    case 'bend':
      return [0xe0 | source.channel, fine & 127, fine >> 7]
  }
}

/** Bytes that say that a finger came to a fader, or left it; none where the surface feels nothing there. */
export function touchBytes(map: SurfaceMap, strip: number, on: boolean): number[] {
  const touch = map.touches[strip]
  return touch ? [(on ? 0x90 : 0x80) | touch.channel, touch.note, on ? 127 : 0] : []
}

/** Bytes of play and stop: MIDI's real-time start and stop. */
export const transportBytes = (play: boolean): number[] => [play ? 0xfa : 0xfc]
