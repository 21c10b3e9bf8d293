import { type Evidence } from '../../evidence'
import { resolve } from '../../mix'

/** A typed value of a lane: dB, −100…100 for a pan, % for shares, Hz for frequencies. */
export function inUnit({ mix, start }: Evidence, lane: string, value: number): number {
  const control = (resolve(mix, lane) ?? resolve(start, lane))?.control
  const word = lane.split('/').at(-1)
  if (word === 'pan') return value * 100
  if (control && control.scale.kind === 'linear' && control.scale.max <= 1) return value * 100
  return value
}

/** A value of a lane in its control's own unit, as a teacher typed it. */
export function fromUnit(evidence: Evidence, lane: string, value: number): number {
  return inUnit(evidence, lane, 1) === 100 ? value / 100 : value
}
