import { resolve, type Address, type Mix } from '../mix'
import type { Move } from '../moves'
import { amount, at, count, laneOf, say, valued, word, type Part, type Saying } from '../saying'
import { decibels, gainDecibels, MIXER_CONTROLS, type Control } from '../scale'
import { songTime, type SongTime, type SongVersion } from '../song'
import { compareMixes, type Difference, type PartChange, type Version } from './compare'

/** What changed between two versions, for teacher and student. */
export const sayChanges = (song: SongVersion, before: Version, after: Version): Saying[] =>
  sayDifference(song, before, after, compareMixes(song, before, after))

/** Settings that are named one by one. */
const MOST = 4
/** A balance that differs by less, in LU, is the same to most ears; so is a loudness by half of it. */
const BALANCE_LU = 1
const LOUDER_LU = 0.5

/** A difference: lane by lane, then settings and parts, then balance and loudness. Never empty. */
export function sayDifference(
  song: SongVersion,
  before: Version,
  after: Version,
  difference: Difference,
): Saying[] {
  const time = songTime(song)
  const mixOf = (address: Address) => (resolve(after.mix, address) ? after.mix : before.mix)
  const said = difference.moves.flatMap((m) => {
    const lane = m.lane
    const control = resolve(mixOf(lane), lane)?.control ?? MIXER_CONTROLS.level
    return ofMove(m.before, m.after, time, control)
  })
  const settings = difference.settings.filter((s) =>
    differ(resolve(after.mix, s.address)!.control, s.before, s.after),
  )
  for (const { address, before: was, after: now } of settings.slice(0, MOST))
    said.push(
      say('changed.setting', { name: laneOf(address), now: valued(address, now), was: valued(address, was) }),
    )
  if (settings.length > MOST) said.push(say('changed.settings', { count: count(settings.length - MOST) }))
  said.push(...difference.parts.map((p) => ofPart(before.mix, after.mix, p)))
  if (!said.length) said.push(say(difference.lines.length ? 'changed.little' : 'changed.nothing'))
  const lead = difference.balance
    .filter((b) => b.lead !== null && Math.abs(b.lead) >= BALANCE_LU)
    .sort((a, b) => Math.abs(b.lead!) - Math.abs(a.lead!))[0]
  if (lead) {
    const section = song.sections.find((s) => s.id === lead.section)
    const parts = { section: { name: section?.letter ?? '' }, by: amount(Math.abs(lead.lead!), 'dB') }
    said.push(say(lead.lead! > 0 ? 'changed.lead-out' : 'changed.lead-back', parts))
  }
  const { louder } = difference
  if (louder !== null && Math.abs(louder) >= LOUDER_LU)
    said.push(say(louder > 0 ? 'changed.louder' : 'changed.softer', { by: amount(Math.abs(louder), 'dB') }))
  return said
}

/** Something that came, went or was changed on a track. */
function ofPart(before: Mix, after: Mix, { what, change, owner, name }: PartChange): Saying {
  const isReturn = [...after.returns, ...before.returns].some((r) => r.id === owner)
  const parts = {
    name: { name },
    owner: isReturn ? laneOf(`return/${owner}/level`) : { track: owner },
    change: word(`change.${change.replace(' ', '-')}`),
  }
  return say(`changed.part-${what}`, parts)
}

/** What two values of a control must differ by to be worth saying: 0.5 dB, else a fiftieth of the travel. */
function differ({ scale, unit }: Control, a: number, b: number): boolean {
  if (unit === decibels || unit === gainDecibels) return Math.abs(a - b) >= 0.5
  return Math.abs(scale.toTravel(a) - scale.toTravel(b)) >= 0.02
}

/** What became of a move; nothing where it is as it was. */
function ofMove(before: Move | null, after: Move | null, time: SongTime, control: Control): Saying[] {
  const some = after ?? before
  if (!some) return []
  const parts = {
    name: laneOf(some.lane),
    kind: word(`kind.${some.kind.replace(' ', '-')}`),
    at: at(some.start),
  }
  if (!before) return [say('changed.added', parts)]
  if (!after) return [say('changed.removed', parts)]
  const changes = detailsOf(before, after, time, control).map(([key, now, was]) =>
    say(key, { ...parts, now, was }),
  )
  if (before.kind === after.kind) return changes
  return [say('changed.kind', { ...parts, was: word(`kind.${before.kind.replace(' ', '-')}`) }), ...changes]
}

type Detail = readonly [key: string, now: Part, was: Part]

/** Where a move goes, how long it takes; if neither, when it is there; if not that either, its form. */
function detailsOf(before: Move, after: Move, time: SongTime, control: Control): Detail[] {
  const details: Detail[] = []
  const inDecibels = control.unit === decibels || control.unit === gainDecibels
  if (differ(control, after.goal, before.goal) || differ(control, after.from, before.from)) {
    const deep = inDecibels && (after.kind === 'dip' || after.kind === 'lift')
    const end = (m: Move): Part =>
      deep
        ? amount(Math.abs(m.depth), 'dB')
        : valued(m.lane, m.kind === 'fade in' ? m.from : m.kind === 'fade out' ? m.to : m.goal)
    const [now, was] = [end(after), end(before)]
    if (JSON.stringify(now) !== JSON.stringify(was))
      details.push([`changed.${deep ? 'depth' : after.kind === 'fade in' ? 'from' : 'to'}`, now, was])
  }
  if (Math.abs(after.bars - before.bars) >= 0.5)
    details.push(['changed.length', amount(after.bars, 'bars'), amount(before.bars, 'bars')])
  const { beat } = time.meter.lengthsAt(after.arrival)
  if (!details.length && Math.abs(after.arrival - before.arrival) >= beat / 2)
    details.push(['changed.arrival', at(after.arrival), at(before.arrival)])
  if (!details.length && after.form !== before.form)
    details.push(['changed.form', word(`form.${after.form}`), word(`form.${before.form}`)])
  return details
}

/** How far a line is from another: at most, where, and on average. */
export function sayLineDifference(
  { greatest, mean, at: where }: { readonly greatest: number; readonly mean: number; readonly at: number },
  { unit }: Control,
): Saying {
  const inDecibels = unit === decibels || unit === gainDecibels
  const text = (x: number) => (inDecibels ? amount(Math.min(x, 90), 'dB') : amount(x * 100, '%', 0))
  return say('line.apart', { greatest: text(greatest), at: at(where), mean: text(mean) })
}
