import { type Finding, at, say, secondsOf } from '../../evidence'
import { HOPS, hopsIn } from '../../heard'
import { numberText } from '../../scale'
import { checkKind, number, place, unheard } from '../check'

export const truePeak = checkKind({
  kind: 'true peak',
  name: 'True peak at most',
  about: 'Nowhere is the mix over a true peak: there is room left.',
  needs: 'sound',
  fields: { from: place('From'), to: place('To'), most: number('At most', 'dBTP', -1, -20, 0) },
  judge(evidence, { from, to, most }): Finding {
    const { heard, time } = evidence
    if (!heard) return unheard({ lane: null, from, to })
    const [first, last] = hopsIn(secondsOf(time, from, to), heard.hops)
    let top = -Infinity
    let where = first
    for (let i = first; i < last; i++) if (heard.peaks[i]! > top) [top, where] = [heard.peaks[i]!, i]
    const tick = Math.round(time.tempo.tickAt(where / HOPS))
    const words = { peak: Number.isFinite(top) ? numberText(top, 1) : 'none', at: at(evidence, tick) }
    return {
      verdict: top <= most ? 'met' : top <= most + 1 ? 'close' : 'not yet',
      sentence: say(
        top <= most
          ? 'The highest peak is {peak} dBTP: there is room left.'
          : 'At {at} the peak is {peak} dBTP: too hot, it will distort somewhere.',
        words,
      ),
      place:
        top <= most
          ? { lane: null, from, to }
          : { lane: null, from: tick, to: tick + time.meter.lengthsAt(tick).beat },
      figures: [{ name: 'highest peak', value: `${words.peak} dBTP`, wanted: `at most ${most} dBTP` }],
    }
  },
})
