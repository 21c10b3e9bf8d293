import { thin, type Points } from '../envelope'
import { MIXER_CONTROLS } from '../scale'
import { dbOfGain } from '../maths'
import type { MidiMove, MidiPart } from './read-midi'

/** Volume controllers are gains by their square (General MIDI, recommended practice RP-015); 100 is where most begin. */
const volumeDb = (value: number) =>
  value <= 0 ? -90 : Math.max(-90, dbOfGain((value / 127) * (value / 127)))

/** −1 … +1; 64 is the middle. */
const panOf = (value: number) => Math.max(-1, Math.min(1, (value - 64) / 63))

const held = (moves: readonly MidiMove[], of: (value: number) => number): Points =>
  moves.map(({ tick, value }) => ({ tick, value: of(value), form: 'jump' as const, bend: 0 }))

/** Stairs of a controller as a line with few points: the lines that a hand drew come back as slopes. */
function smooth(points: Points, scale: typeof MIXER_CONTROLS.level.scale): Points {
  if (points.length < 3) return points
  return thin(
    points.map(({ tick, value }) => ({ tick, value })),
    scale,
  )
}

/** The lines that a part brings along: of its volume (with its expression) and its pan. Single values are settings. */
export function linesFromMidi({ moves }: MidiPart): {
  readonly level: { readonly setting: number; readonly points: Points }
  readonly pan: { readonly setting: number; readonly points: Points }
} {
  const volume = moves[7] ?? []
  const expression = moves[11] ?? []
  const ticks = [...new Set([...volume, ...expression].map((m) => m.tick))].sort((a, b) => a - b)
  const at = (list: readonly MidiMove[], tick: number, otherwise: number) =>
    list.findLast((m) => m.tick <= tick)?.value ?? otherwise
  const both = ticks.map((tick) => ({
    tick,
    value: (at(volume, tick, 100) * at(expression, tick, 127)) / 127,
  }))
  const level = held(both, (v) => Math.max(-90, volumeDb(v) - volumeDb(100)))
  const pan = held(moves[10] ?? [], panOf)
  const line = (points: Points, scale: typeof MIXER_CONTROLS.level.scale) => ({
    setting: points[0]?.value ?? 0,
    points: points.length > 1 ? smooth(points, scale) : [],
  })
  return {
    level: line(level, MIXER_CONTROLS.level.scale),
    pan: line(pan, MIXER_CONTROLS.pan.scale),
  }
}
