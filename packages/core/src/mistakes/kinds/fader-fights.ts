import { resolve, withSetting } from '../../mix'
import { hysteresis } from '../../moves'
import { laneOf, say, valued } from '../../evidence'
import { drawnLines } from '../lines'
import type { MistakeKind } from '../mistake'

/** A point lies at the setting within so many times what counts as moving. */
const NEAR = 2

/** The fader fights the line: the setting was moved although a line is in charge. */
export const faderFights: MistakeKind = {
  kind: 'fader fights',
  name: 'The fader fights the line',
  needs: 'lines',
  find: (evidence) => {
    const { mix, start, time } = evidence
    return drawnLines(evidence).flatMap(({ lane, control: { scale }, setting, points }) => {
      const before = resolve(start, lane)?.setting
      if (before === undefined || scale.kind === 'switch') return []
      const [a, b] = [scale.toTravel(before), scale.toTravel(setting)]
      if (Math.abs(a - b) <= hysteresis(scale, Math.max(a, b))) return []
      // a line that rests at the new setting was drawn after it: that is the balance, not a fight
      const near = NEAR * hysteresis(scale, b)
      if (points.some((p) => Math.abs(scale.toTravel(p.value) - b) <= near)) return []
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
