import { resolve, withSetting } from '../../mix'
import { hysteresis } from '../../moves'
import { nameOf, say, valueText } from '../../evidence'
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
      const name = nameOf(evidence, lane)
      return {
        kind: 'fader fights',
        severity: 1 as const,
        place: { lane, from: 0, to: time.length },
        sentence: say(
          'You set {name} to {value}, but that is not heard: its line is in charge. To change it everywhere, move the whole line up or down.',
          { name, value: valueText(evidence, lane, setting) },
        ),
        repair: () => ({ label: `Put the setting of ${name} back`, mix: withSetting(mix, lane, before) }),
      }
    })
  },
}
