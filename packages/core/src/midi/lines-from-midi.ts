import { EFFECTS } from '../effects'
import { thin, type Points } from '../envelope'
import { MIXER_CONTROLS, SEND_CONTROLS, type Scale } from '../scale'
import { sendDbOf, volumeDbOf } from './controllers'
import type { MidiMove, MixController } from './events'
import type { MidiPart } from './read-midi'

/** −1 … +1; 64 is the middle. */
const centred = (value: number) => Math.max(-1, Math.min(1, (value - 64) / 63))

/** The last of several values at one tick is the one that is heard: a line has one point there. */
const held = (moves: readonly MidiMove[], of: (value: number) => number): Points =>
  [...new Map(moves.map((m) => [m.tick, m.value]))]
    .sort(([a], [b]) => a - b)
    .map(([tick, value]) => ({ tick, value: of(value), form: 'jump' as const, bend: 0 }))

/** Stairs of a controller as a line with few points: the lines that a hand drew come back as slopes. */
function smooth(points: Points, scale: Scale): Points {
  if (points.length < 3) return points
  return thin(
    points.map(({ tick, value }) => ({ tick, value })),
    scale,
  )
}

/** The value of a controller at one tick after another. */
function follow(moves: readonly MidiMove[], before: number): (tick: number) => number {
  let next = 0
  let value = before
  return (tick) => {
    while (next < moves.length && moves[next]!.tick <= tick) value = moves[next++]!.value
    return value
  }
}

/** What a part brings along for one control: a single value is a setting, several are a line. */
export interface BroughtLine {
  readonly setting: number
  readonly points: Points
}

function brought(points: Points, scale: Scale, rest: number): BroughtLine {
  return { setting: points[0]?.value ?? rest, points: points.length > 1 ? smooth(points, scale) : [] }
}

/** The lines that a part brings along: of its volume (with its expression), its pan, its two sends and how it is played. */
export function linesFromMidi({ moves }: Pick<MidiPart, 'moves'>) {
  const volume = moves[7] ?? []
  const expression = moves[11] ?? []
  const ticks = [...new Set([...volume, ...expression].map((m) => m.tick))].sort((a, b) => a - b)
  const [volumeAt, expressionAt] = [follow(volume, 100), follow(expression, 127)]
  const both = ticks.map((tick) => ({ tick, value: (volumeAt(tick) * expressionAt(tick)) / 127 }))
  const level = held(both, (v) => Math.max(-90, volumeDbOf(v) - volumeDbOf(100)))
  const of = (number: MixController, value: (v: number) => number, scale: Scale, rest: number) =>
    brought(held(moves[number] ?? [], value), scale, rest)
  return {
    level: brought(level, MIXER_CONTROLS.level.scale, 0),
    pan: of(10, centred, MIXER_CONTROLS.pan.scale, 0),
    reverb: of(91, sendDbOf, SEND_CONTROLS.level.scale, -90),
    chorus: of(93, sendDbOf, SEND_CONTROLS.level.scale, -90),
    // a longer attack time is a softer beginning
    attack: of(73, (v) => -centred(v), EFFECTS.playing.controls.attack.scale, 0),
    brightness: of(74, centred, EFFECTS.playing.controls.brightness.scale, 0),
  }
}
