import { travelAt } from '../../envelope'
import { resolve, withSetting } from '../../mix'
import { hysteresis } from '../../moves'
import { laneOf, say, valued } from '../../evidence'
import { drawnLines, type DrawnLine } from '../lines'
import type { MistakeKind } from '../mistake'

/** A line lies at the setting within so many times what counts as moving. */
const NEAR = 2
/** Places at which a line is looked at, and the share of them at which it rests at a balance. */
const LOOKS = 64
const RESTS = 0.4

/**
 * Whether a setting is the balance that a line starts from: it begins or ends there, or rests there for long. A goal that it only
 * visits may lie anywhere.
 */
function isItsBalance({ points, control: { scale } }: DrawnLine, setting: number, length: number): boolean {
  const height = scale.toTravel(setting)
  const near = NEAR * hysteresis(scale, height)
  const at = (tick: number) => Math.abs(travelAt(points, scale, tick) - height) <= near
  if (at(0) || at(length - 1)) return true
  const looks = Array.from({ length: LOOKS }, (_, k) => at((length * (k + 0.5)) / LOOKS))
  return looks.filter(Boolean).length >= RESTS * LOOKS
}

/** The fader fights the line: the setting was moved although a line is in charge. */
export const faderFights: MistakeKind = {
  kind: 'fader fights',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, time } = evidence
    return drawnLines(evidence).flatMap((line) => {
      const { lane, control, setting } = line
      const { scale } = control
      const before = resolve(start, lane)?.setting
      if (before === undefined || scale.kind === 'switch') return []
      const [a, b] = [scale.toTravel(before), scale.toTravel(setting)]
      if (Math.abs(a - b) <= hysteresis(scale, Math.max(a, b))) return []
      // a line that rests at the new setting was drawn after it: that is the balance, not a fight
      if (isItsBalance(line, setting, time.length)) return []
      const name = laneOf(lane)
      return {
        kind: 'fader fights',
        severity: 1 as const,
        place: { lane, from: 0, to: time.length },
        says: say('mistake.fader-fights.says', { name, value: valued(lane, setting) }),
        repair: () => ({
          label: say('mistake.fader-fights.repair', { name }),
          mix: withSetting(mix, lane, before),
        }),
      }
    })
  },
}
