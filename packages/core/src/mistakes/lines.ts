import { envelopeOf, lineInCharge, resolve, withPoints, type Address, type Mix } from '../mix'
import type { Points } from '../envelope'
import type { Control } from '../scale'
import type { Evidence } from '../evidence'

/** A line that somebody drew: in charge, and not as the starting mix has it. */
export interface DrawnLine {
  readonly lane: Address
  readonly points: Points
  readonly control: Control
  /** The control's own setting. */
  readonly setting: number
}

const same = (a: Points, b: Points) =>
  a === b ||
  (a.length === b.length &&
    a.every((p, i) => {
      const q = b[i]!
      return p.tick === q.tick && p.value === q.value && p.form === q.form && p.bend === q.bend
    }))

const known = new WeakMap<Evidence, readonly DrawnLine[]>()

/** The lines of a mix that were drawn by its student; every kind of mistake looks at the same list. */
export function drawnLines(evidence: Evidence): readonly DrawnLine[] {
  const before = known.get(evidence)
  if (before) return before
  const { mix, start } = evidence
  const drawn = mix.envelopes.flatMap(({ address }) => {
    const line = lineInCharge(mix, address)
    const found = resolve(mix, address)
    if (!line || !found || same(line.points, envelopeOf(start, address)?.points ?? [])) return []
    return [{ lane: address, points: line.points, control: found.control, setting: found.setting }]
  })
  known.set(evidence, drawn)
  return drawn
}

/** A mix with other points on a lane, whether it is locked or not: a repair is only offered, and can be undone. */
export function repaired(mix: Mix, lane: Address, points: Points): Mix {
  const envelope = envelopeOf(mix, lane)
  if (!envelope) return withPoints(mix, lane, points, () => `repair-${lane.replaceAll('/', '-')}`)
  return { ...mix, envelopes: mix.envelopes.map((e) => (e === envelope ? { ...e, points } : e)) }
}

/** Whether a lane is a fader or a pre-fader gain: something that makes louder or softer. */
export const isLevel = (lane: Address) => /^(track|return)\/[^/]+\/(level|gain)$|^main\/level$/.test(lane)

/** Whether a lane mutes. */
export const isMute = (lane: Address) => /^(track|return)\/[^/]+\/mute$/.test(lane)

/** Whether a lane sends to an effect, or is an effect's wet. */
export const isSendOrWet = (lane: Address) => /^send\/[^/]+\/level$|^effect\/[^/]+\/wet$/.test(lane)
