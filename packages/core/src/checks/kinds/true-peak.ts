import { type Finding, amount, at, say, secondsOf, wanted, word } from '../../evidence'
import { HOPS, hopsIn } from '../../heard'
import { checkKind, number, place, unheard } from '../check'
import { found } from '../conclude'

export const truePeak = checkKind({
  kind: 'true peak',
  needs: 'sound',
  fields: { from: place('from'), to: place('to'), most: number('at-most', 'dBTP', -1, -20, 0) },
  judge(evidence, { from, to, most }): Finding {
    const { heard, time } = evidence
    if (!heard) return unheard({ lane: null, from, to })
    const [first, last] = hopsIn(secondsOf(time, from, to), heard.hops)
    let top = -Infinity
    let where = first
    for (let i = first; i < last; i++) if (heard.peaks[i]! > top) [top, where] = [heard.peaks[i]!, i]
    const tick = Math.round(time.tempo.tickAt(where / HOPS))
    const verdict = top <= most ? 'met' : top <= most + 1 ? 'close' : 'not yet'
    // over full scale it is clipped for sure, under it there is only too little room
    const key = verdict === 'met' ? 'met' : top > 0 ? 'clips' : 'high'
    return found(
      verdict,
      say(`check.true-peak.${key}`, { at: at(tick), over: amount(top - most, 'dB') }),
      verdict === 'met'
        ? { lane: null, from, to }
        : { lane: null, from: tick, to: tick + time.meter.lengthsAt(tick).beat },
      [
        {
          name: 'highest-peak',
          value: Number.isFinite(top) ? amount(top, 'dBTP') : word('silence'),
          wanted: wanted('most', amount(most, 'dBTP')),
        },
      ],
    )
  },
})
