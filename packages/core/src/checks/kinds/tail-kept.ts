import { type Finding, at, say, trackName } from '../../evidence'
import { cutTails } from '../../mistakes/kinds/tail-cut'
import { envelopeOf } from '../../mix'
import { checkKind, place, track } from '../check'

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
