import { words } from '@rudlo/words'
import { resolve, type Mix } from '../mix'
import type { SongVersion } from '../song'
import { at, laneOf, say, type Evidence, type Finding } from '../evidence'
import type { Check, CheckKind, Field, FieldValue, Setup, Values } from './check'
import { CHECK_KINDS } from './kinds'
import { heardOf, otherWaysOf } from './other-ways'

/** The kind of a check. @throws RangeError where there is none of that name */
export function kindOf(name: string): CheckKind {
  const kind = CHECK_KINDS.find((k) => k.kind === name)
  if (!kind) throw new RangeError(words('check-field.no-check-called', { name }))
  return kind
}

/**
 * Runs one check. What is heard counts, not which control was used: where the answer was found another way, that is judged, and said.
 * @param otherWays whether another way counts
 */
export function judge(evidence: Evidence, check: Check, otherWays = true): Finding {
  const kind = kindOf(check.kind)
  const direct = kind.judge(evidence, check.values as never)
  if (direct.verdict === 'met') return takenBack(evidence, kind, check.values) ?? direct
  if (!otherWays) return direct
  return otherWaysOf(evidence, kind, check.values).reduce<Finding>(
    (best, { evidence: other, by, values }) => {
      const found = kind.judge(other, { ...check.values, ...values } as never)
      return better(found, best) ? { ...found, way: by } : best
    },
    direct,
  )
}

/** What was done by one control and undone by another: nobody hears it. Null where it is heard. */
function takenBack(evidence: Evidence, kind: CheckKind, values: Values): Finding | null {
  const heard = heardOf(evidence, kind, values)
  const [by] = heard?.by ?? []
  if (!heard || !by) return null
  const found = kind.judge(heard.evidence, { ...values, ...heard.values } as never)
  const { lane, from } = found.place
  if (found.verdict !== 'not yet' || lane === null) return null
  return { ...found, says: say('check.taken-back', { name: laneOf(lane), at: at(from), by }) }
}

const ORDER = ['not yet', 'close', 'met']
const better = (a: Finding, b: Finding) => ORDER.indexOf(a.verdict) > ORDER.indexOf(b.verdict)

/** Values that a fresh check of a kind begins with, on a lane and a stretch. */
export function startValues(kind: CheckKind, { song, lane, from, to }: Setup): Values {
  const track = song.tracks.find((t) => lane.includes(`/${t.id}/`))?.id ?? song.tracks[0]?.id ?? ''
  const tracks = [track, song.tracks.find((t) => t.id !== track)?.id ?? track]
  let places = 0
  const start = (field: Field): FieldValue => {
    switch (field.type) {
      case 'lane':
        return lane
      case 'lanes':
        return [lane]
      case 'track':
        return tracks.shift() ?? track
      case 'place':
        return places++ ? to : from
      case 'number':
        return field.initial
      case 'choice':
        return field.values[0] ?? ''
    }
  }
  return Object.fromEntries(Object.entries(kind.fields).map(([name, field]) => [name, start(field)]))
}

/** What is wrong with a check, in one sentence; null where it can be used. */
export function checkProblem(check: Check, song: SongVersion, mix: Mix): string | null {
  const kind = CHECK_KINDS.find((k) => k.kind === check.kind)
  if (!kind) return words('check-field.no-check-called-2', { kind: check.kind })
  for (const [name, field] of Object.entries(kind.fields)) {
    const problem = fieldProblem(field, check.values[name], song, mix)
    if (problem) return `${kind.name}: ${problem}`
  }
  const extra = Object.keys(check.values).find((name) => !(name in kind.fields))
  if (extra) return words('check-field.knows-nothing-called', { name: kind.name, extra })
  const impossible = kind.impossible?.(check.values as never, song, mix)
  return impossible ? `${kind.name}: ${impossible}` : null
}

function fieldProblem(
  field: Field,
  value: FieldValue | undefined,
  song: SongVersion,
  mix: Mix,
): string | null {
  const says = field.label
  switch (field.type) {
    case 'lane':
      return typeof value === 'string' && resolve(mix, value)
        ? null
        : words('check-field.song-no-such', { says })
    case 'lanes':
      return Array.isArray(value) && value.every((v) => typeof v === 'string' && resolve(mix, v))
        ? null
        : words('check-field.song-does-not', { says })
    case 'track':
      return song.tracks.some((t) => t.id === value)
        ? null
        : words('check-field.song-no-such-track', { says })
    case 'place':
      return typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= song.length
        ? null
        : words('check-field.lies-outside-song', { says })
    case 'number':
      return typeof value === 'number' && value >= field.min && value <= field.max
        ? null
        : words('check-field.between', { says, min: field.min, max: field.max })
    case 'choice':
      return field.values.includes(value as string) ? null : words('check-field.none-chosen', { says })
  }
}
