import { listText } from '../../assess'
import { type Finding, nameOf, say } from '../../evidence'
import { envelopeOf } from '../../mix'
import { checkKind, lanes } from '../check'

export const onlyLanes = checkKind({
  kind: 'only lanes',
  name: 'Only these lanes changed',
  about: 'No other line was drawn or changed.',
  needs: 'lines',
  fields: { lanes: lanes('May change') },
  judge(evidence, { lanes }): Finding {
    const { mix, start, time } = evidence
    const changed = mix.envelopes.filter(
      (e) =>
        !lanes.includes(e.address) &&
        JSON.stringify(e.points) !== JSON.stringify(envelopeOf(start, e.address)?.points ?? []),
    )
    const names = listText(changed.map((e) => nameOf(evidence, e.address)))
    return {
      verdict: changed.length ? 'not yet' : 'met',
      sentence: changed.length
        ? say('{names} moves too, though nobody asked for it.', { names })
        : 'Only what was asked for moves.',
      place: { lane: changed[0]?.address ?? null, from: 0, to: time.length },
      figures: [{ name: 'other lines', value: String(changed.length), wanted: 'none' }],
    }
  },
})
