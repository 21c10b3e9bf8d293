import { words } from '@rudlo/words'
import { begun, EditRefused, type Envelope, type Points } from '../envelope'
import { resolve, TEMPO, type Address, type Addressed } from './address'
import { LIMITS, type Mix } from './mix'

/** The envelope of a control, if it has one. */
export function envelopeOf(mix: Mix, address: Address): Envelope | undefined {
  return mix.envelopes.find((e) => e.address === address)
}

/** Whether a line is in charge of a control: there is one, it is on and it has points. */
export function lineInCharge(mix: Mix, address: Address): Envelope | undefined {
  const envelope = envelopeOf(mix, address)
  return envelope?.on && envelope.points.length ? envelope : undefined
}

/** A control with the points of its line, begun: a control without a line is level at its setting. */
export interface Lane extends Addressed {
  readonly points: Points
}

/** The lane of a control as an edit finds it; null where the mix has no such control. */
export function laneAt(mix: Mix, address: Address): Lane | null {
  const found = resolve(mix, address)
  if (!found) return null
  const { control, setting } = found
  return { ...found, points: begun(envelopeOf(mix, address)?.points ?? [], control.scale, setting) }
}

/**
 * Gives a control new points. Everything else is shared with the mix before.
 * @param freshId the id for an envelope that does not exist yet
 * @throws EditRefused where the lane is locked or a limit would be passed
 */
export function withPoints(mix: Mix, address: Address, points: Points, freshId: () => string): Mix {
  const before = envelopeOf(mix, address)
  if (before?.points === points) return mix
  if (before && !before.open) throw new EditRefused(words('refused.lane-locked-open'))
  if (address === TEMPO && !points.length) throw new EditRefused(words('refused.tempo-empty'))
  const total = mix.envelopes.reduce((sum, e) => sum + e.points.length, 0) - (before?.points.length ?? 0)
  if (points.length > LIMITS.pointsPerEnvelope || total + points.length > LIMITS.points) {
    throw new EditRefused(words('refused.song-points', { most: LIMITS.points }))
  }
  if (before) {
    return { ...mix, envelopes: mix.envelopes.map((e) => (e === before ? { ...e, points } : e)) }
  }
  if (mix.envelopes.length >= LIMITS.envelopes) {
    throw new EditRefused(words('refused.song-lines', { most: LIMITS.envelopes }))
  }
  return { ...mix, envelopes: [...mix.envelopes, { id: freshId(), address, on: true, open: true, points }] }
}

/**
 * A copy of a mix with another line on a control, to be heard and seen beside the mix: it may be put on a locked lane too,
 * for nobody's work is changed by it, and it counts where the lane was switched off.
 * @throws EditRefused where a limit would be passed
 */
export function withLineShown(mix: Mix, address: Address, points: Points): Mix {
  return withPoints(
    withLane(mix, address, { on: true, open: true }),
    address,
    points,
    () => `shown-${address}`,
  )
}

/** Switches a line on or off, or opens and locks its lane. */
export function withLane(mix: Mix, address: Address, change: Partial<Pick<Envelope, 'on' | 'open'>>): Mix {
  return { ...mix, envelopes: mix.envelopes.map((e) => (e.address === address ? { ...e, ...change } : e)) }
}
