import { resolve, type Mix } from '../mix'
import type { Move } from '../moves'
import { decibels, gainDecibels, MIXER_CONTROLS, numberText, type Control } from '../scale'
import { songTime, type SongTime, type SongVersion } from '../song'
import { laneName } from './describe'
import type { Measurement } from './measurement'
import { barsText, levelText, listText } from './words'

/** A hand-in to compare: its mix and what was measured of it. */
export interface Version {
  readonly mix: Mix
  readonly measured: Measurement
}

/** What changed between two versions, in one or two sentences for teacher and student. */
export function describeChanges(song: SongVersion, before: Version, after: Version): string {
  const time = songTime(song)
  const parts: string[] = []
  for (const address of new Set([...lanes(before), ...lanes(after)])) {
    const mix = resolve(after.mix, address) ? after.mix : before.mix
    const name = laneName(song, mix, address)
    const control = resolve(mix, address)?.control ?? MIXER_CONTROLS.level
    const changes = laneChanges(
      before.measured.moves.filter((m) => m.lane === address),
      after.measured.moves.filter((m) => m.lane === address),
      time,
      control,
    )
    if (changes.length) parts.push(`${name}: ${listText(changes)}.`)
  }
  if (!parts.length) parts.push(sameMoves(before, after))
  const louder = (after.measured.integrated ?? -Infinity) - (before.measured.integrated ?? -Infinity)
  if (Number.isFinite(louder) && Math.abs(louder) >= 0.5) {
    parts.push(`The whole song is ${numberText(Math.abs(louder), 1)} LU ${louder > 0 ? 'louder' : 'softer'}.`)
  }
  return parts.join(' ')
}

function lanes({ measured }: Version): string[] {
  return measured.moves.map((m) => m.lane)
}

function sameMoves(before: Version, after: Version): string {
  const line = (v: Version) => JSON.stringify(v.mix.envelopes.map((e) => [e.address, e.on, e.points]))
  return line(before) === line(after)
    ? 'The lines are the same as in the version before.'
    : 'The same moves as before, with small changes in the lines.'
}

function laneChanges(
  before: readonly Move[],
  after: readonly Move[],
  time: SongTime,
  control: Control,
): string[] {
  const left = [...before]
  const changes: string[] = []
  for (const move of after) {
    const match = left
      .filter((m) => m.kind === move.kind)
      .sort((a, b) => distance(a, move) - distance(b, move))[0]
    if (!match) changes.push(`${move.kind} added at bar ${time.meter.placeAt(move.start).bar}`)
    else {
      left.splice(left.indexOf(match), 1)
      const change = moveChange(match, move, time, control)
      if (change) changes.push(`${move.kind} ${change}`)
    }
  }
  for (const gone of left) changes.push(`${gone.kind} at bar ${time.meter.placeAt(gone.start).bar} taken out`)
  return changes
}

function distance(a: Move, b: Move): number {
  return Math.abs(a.start - b.start) + Math.abs(a.end - b.end)
}

/** What two values of a control must differ by to be worth saying: 0.5 dB, else a fiftieth of the travel. */
function differ({ scale, unit }: Control, a: number, b: number): boolean {
  if (unit === decibels || unit === gainDecibels) return Math.abs(a - b) >= 0.5
  return Math.abs(scale.toTravel(a) - scale.toTravel(b)) >= 0.02
}

function moveChange(before: Move, after: Move, time: SongTime, control: Control): string | null {
  const changes: string[] = []
  const inDecibels = control.unit === decibels || control.unit === gainDecibels
  const text = (value: number) => (inDecibels ? levelText(value) : control.unit.format(value))
  if (differ(control, after.goal, before.goal) || differ(control, after.from, before.from)) {
    // of a level the depth says more, of anything else where it goes
    const end = (m: Move) =>
      text(m.kind === 'fade in' ? m.from : m.kind === 'fade out' ? m.to : inDecibels ? m.depth : m.goal)
    if (end(before) !== end(after)) {
      const word = after.kind === 'fade in' ? 'now from' : 'now to'
      const size = after.kind === 'dip' || after.kind === 'lift' ? 'now' : word
      changes.push(`${size} ${end(after)}, was ${end(before)}`)
    }
  }
  if (Math.abs(after.bars - before.bars) >= 0.5) {
    changes.push(`now ${barsText(after.bars)}, was ${barsText(before.bars)}`)
  }
  const beat = time.meter.lengthsAt(after.arrival).beat
  if (Math.abs(after.arrival - before.arrival) >= beat / 2 && !changes.length) {
    changes.push(
      `now there by bar ${time.meter.placeAt(after.arrival).bar}, was bar ${time.meter.placeAt(before.arrival).bar}`,
    )
  }
  if (after.form !== before.form && !changes.length) changes.push(`now ${after.form}, was ${before.form}`)
  return changes.length ? changes.join('; ') : null
}
