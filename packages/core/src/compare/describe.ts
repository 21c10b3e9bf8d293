import { barsText, laneControlName, laneName, levelText, listText } from '../assess'
import { resolve, type Address, type Mix } from '../mix'
import type { Move } from '../moves'
import { decibels, gainDecibels, MIXER_CONTROLS, numberText, signedText, type Control } from '../scale'
import { songTime, type SongTime, type SongVersion } from '../song'
import { compareMixes, type Difference, type PartChange, type Version } from './compare'

/** What changed between two versions, in one or two sentences for teacher and student. */
export function describeChanges(song: SongVersion, before: Version, after: Version): string {
  return describeDifference(song, before, after, compareMixes(song, before, after)).join(' ')
}

/** A difference in sentences: lane by lane, then settings and parts, then balance and loudness. Never empty. */
export function describeDifference(
  song: SongVersion,
  before: Version,
  after: Version,
  difference: Difference,
): string[] {
  const time = songTime(song)
  const parts: string[] = []
  const mixOf = (address: Address) => (resolve(after.mix, address) ? after.mix : before.mix)
  for (const lane of new Set(difference.moves.map((m) => m.lane))) {
    const control = resolve(mixOf(lane), lane)?.control ?? MIXER_CONTROLS.level
    const changes = difference.moves
      .filter((m) => m.lane === lane)
      .flatMap((m) => moveChange(m.before, m.after, time, control) ?? [])
    if (changes.length) parts.push(`${laneName(song, mixOf(lane), lane)}: ${listText(changes)}.`)
  }
  const settings = difference.settings.filter((s) => {
    const control = resolve(after.mix, s.address)!.control
    return differ(control, s.before, s.after)
  })
  for (const s of settings.slice(0, MOST)) {
    const { unit } = resolve(after.mix, s.address)!.control
    parts.push(
      `${settingName(song, after.mix, s.address)} set to ${unit.format(s.after)}, was ${unit.format(s.before)}.`,
    )
  }
  if (settings.length > MOST) parts.push(`${settings.length - MOST} more settings changed.`)
  parts.push(...difference.parts.map((p) => partText(song, before.mix, after.mix, p)))
  if (!parts.length)
    parts.push(
      difference.lines.length
        ? 'The same moves as before, with small changes in the lines.'
        : 'The lines are the same as in the version before.',
    )
  const lead = difference.balance
    .filter((b) => b.lead !== null && Math.abs(b.lead) >= 1)
    .sort((a, b) => Math.abs(b.lead!) - Math.abs(a.lead!))[0]
  if (lead) {
    const { letter } = song.sections.find((s) => s.id === lead.section) ?? { letter: '' }
    parts.push(
      `In ${letter} the tune stands ${numberText(Math.abs(lead.lead!), 1)} LU ${lead.lead! > 0 ? 'further out' : 'further back'}.`,
    )
  }
  const { louder } = difference
  if (louder !== null && Math.abs(louder) >= 0.5)
    parts.push(`The whole song is ${numberText(Math.abs(louder), 1)} LU ${louder > 0 ? 'louder' : 'softer'}.`)
  return parts
}

/** Settings that are named one by one. */
const MOST = 4

function settingName(song: SongVersion, mix: Mix, address: Address): string {
  const name = laneName(song, mix, address)
  return name.includes(',') || address.startsWith('main/')
    ? name
    : `${name}, ${laneControlName(mix, address)}`
}

function partText(
  song: SongVersion,
  before: Mix,
  after: Mix,
  { what, change, owner, name }: PartChange,
): string {
  const whose =
    song.tracks.find((t) => t.id === owner)?.name ??
    [...after.returns, ...before.returns].find((r) => r.id === owner)?.name ??
    ''
  if (what === 'return') return `Return ${name} ${change}.`
  if (what === 'region') return `The regions of ${whose} were changed.`
  return what === 'effect' ? `${whose}: effect ${name} ${change}.` : `${whose}: send to ${name} ${change}.`
}

/** What two values of a control must differ by to be worth saying: 0.5 dB, else a fiftieth of the travel. */
function differ({ scale, unit }: Control, a: number, b: number): boolean {
  if (unit === decibels || unit === gainDecibels) return Math.abs(a - b) >= 0.5
  return Math.abs(scale.toTravel(a) - scale.toTravel(b)) >= 0.02
}

/** What became of a move, without its lane; null where it is as it was. */
function moveChange(
  before: Move | null,
  after: Move | null,
  time: SongTime,
  control: Control,
): string | null {
  const bar = (m: Move) => time.meter.placeAt(m.start).bar
  if (!before) return after && `${after.kind} added at bar ${bar(after)}`
  if (!after) return `${before.kind} at bar ${bar(before)} taken out`
  const kind = before.kind === after.kind ? '' : `instead of ${before.kind}`
  const change = ofMove(before, after, time, control)
  if (!kind && !change) return null
  return [after.kind, kind, change].filter(Boolean).join(' ')
}

function ofMove(before: Move, after: Move, time: SongTime, control: Control): string | null {
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
  if (Math.abs(after.bars - before.bars) >= 0.5)
    changes.push(`now ${barsText(after.bars)}, was ${barsText(before.bars)}`)
  const beat = time.meter.lengthsAt(after.arrival).beat
  if (Math.abs(after.arrival - before.arrival) >= beat / 2 && !changes.length) {
    const place = (m: Move) => {
      const at = time.meter.placeAt(m.arrival)
      return at.beat === 1 ? `bar ${at.bar}` : `bar ${at.bar}, beat ${at.beat}`
    }
    changes.push(`now there by ${place(after)}, was ${place(before)}`)
  }
  if (after.form !== before.form && !changes.length) changes.push(`now ${after.form}, was ${before.form}`)
  return changes.length ? changes.join('; ') : null
}

/** How far a line is from another, in words: "at most 3.2 dB apart (bar 9), 0.4 dB on average". */
export function lineDifferenceText(
  { greatest, mean, at }: { readonly greatest: number; readonly mean: number; readonly at: number },
  { unit }: Control,
  time: SongTime,
): string {
  const text = (x: number) =>
    unit === decibels || unit === gainDecibels
      ? `${numberText(Math.min(x, 90), 1)} dB`
      : signedText(x, 2).replace('+', '')
  return `at most ${text(greatest)} apart (bar ${time.meter.placeAt(at).bar}), ${text(mean)} on average`
}
