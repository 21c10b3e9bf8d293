import { type Finding, amount, count, say, wanted } from '../../evidence'
import { envelopeOf } from '../../mix'
import { checkKind, lanes } from '../check'
import { found } from '../conclude'

export const onlyLanes = checkKind({
  kind: 'only lanes',
  needs: 'lines',
  fields: { lanes: lanes('may-change') },
  judge(evidence, { lanes }): Finding {
    const { mix, start, time } = evidence
    const changed = mix.envelopes
      .map((e) => e.address)
      .filter(
        (address) =>
          !lanes.includes(address) &&
          JSON.stringify(envelopeOf(mix, address)?.points) !==
            JSON.stringify(envelopeOf(start, address)?.points ?? []),
      )
    return found(
      changed.length ? 'not yet' : 'met',
      changed.length
        ? say('check.only-lanes.more', { names: { lanes: changed }, count: count(changed.length) })
        : say('check.only-lanes.met'),
      { lane: changed[0] ?? null, from: 0, to: time.length },
      [
        {
          name: 'other-lines',
          value: amount(changed.length, 'points', 0),
          wanted: wanted('is', amount(0, 'points', 0)),
        },
      ],
    )
  },
})
