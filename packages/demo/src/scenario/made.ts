import { resolve, withLane, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import type { PlannedWork } from './term/assignment'

/** The mix that a student made of the starting mix. @throws Error where the scenario names a control that is not there */
export function madeOf(
  start: Mix,
  { lines, settings = {}, off = [] }: Pick<PlannedWork, 'lines' | 'settings' | 'off'>,
): Mix {
  let mix = start
  for (const [address, value] of Object.entries(settings)) {
    if (!resolve(mix, address)) throw new Error(`The demo sets a control that is not there: ${address}.`)
    mix = withSetting(mix, address, value)
  }
  let fresh = 0
  for (const [address, points] of Object.entries(lines)) {
    if (!resolve(mix, address)) throw new Error(`The demo draws on a lane that is not there: ${address}.`)
    mix = withPoints(mix, address, points, () => `own-${++fresh}`)
  }
  for (const address of off) mix = withLane(mix, address, { on: false })
  return mix
}
