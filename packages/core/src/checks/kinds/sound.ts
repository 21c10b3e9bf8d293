import { energies, HOPS, hopsIn, loudnessIn } from '../../heard'
import { envelopeOf } from '../../mix'
import { numberText } from '../../scale'
import { checkKind, number, place, track, unheard, verdictOf, type Finding } from '../check'
import { secondsOf } from '../evidence'
import { at, bars, say, trackName } from '../say'
import { cutTails } from '../../mistakes/kinds/tail-cut'

export const loudness = checkKind({
  kind: 'loudness',
  name: 'Loudness of a span',
  about: 'Some bars of the mix measure about so many LUFS.',
  needs: 'sound',
  fields: {
    from: place('From'),
    to: place('To'),
    value: number('Loudness', 'LUFS', -18, -60, 0),
    tolerance: number('Give or take', 'LU', 2, 0.5, 20),
  },
  judge(evidence, { from, to, value, tolerance }): Finding {
    const { heard, time } = evidence
    const place = { lane: null, from, to }
    if (!heard) return unheard(place)
    const now = loudnessIn(energies(heard.mix), secondsOf(time, from, to))
    const words = {
      bars: bars(evidence, from, to),
      lufs: Number.isFinite(now) ? numberText(now, 1) : 'silent',
    }
    return {
      verdict: Number.isFinite(now) ? verdictOf(now - value, tolerance) : 'not yet',
      sentence: Number.isFinite(now)
        ? say('{bars} measure {lufs} LUFS.', words)
        : say('Nothing can be heard in {bars}.', words),
      place,
      figures: [{ name: 'loudness', value: `${words.lufs} LUFS`, wanted: `${value} ± ${tolerance}` }],
    }
  },
})

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

export const tailKept = checkKind({
  kind: 'tail kept',
  name: 'The tail is kept',
  about: 'Echo or hall may ring out: the send is closed, not the return.',
  needs: 'lines',
  fields: { track: track('Track that sends'), from: place('From'), to: place('To') },
  judge(evidence, { track, from, to }): Finding {
    const name = trackName(evidence, track)
    const sends = evidence.mix.tracks.find((t) => t.id === track)?.sends ?? []
    const cut = cutTails(evidence).find(
      (c) => c.place.from < to && c.place.to > from && sends.some((s) => c.returns.includes(s.to)),
    )
    if (cut)
      return {
        verdict: 'not yet',
        sentence: say('At {at} the echo of {name} is cut: pull the send down instead, and it rings out.', {
          name,
          at: at(evidence, cut.place.from),
        }),
        place: cut.place,
        figures: [],
      }
    const closed = sends.some((s) => envelopeOf(evidence.mix, `send/${s.id}/level`)?.points.length)
    return {
      verdict: closed ? 'met' : 'close',
      sentence: say(
        closed
          ? 'What {name} sends rings out by itself.'
          : 'No send of {name} moves yet, and nothing is cut.',
        { name },
      ),
      place: { lane: sends[0] ? `send/${sends[0].id}/level` : null, from, to },
      figures: [],
    }
  },
})
