import { type Finding, at, say, trackOf } from '../../evidence'
import { cutTails } from '../../mistakes/kinds/tail-cut'
import { envelopeOf } from '../../mix'
import { checkKind, place, track } from '../check'
import { found } from '../conclude'

export const tailKept = checkKind({
  kind: 'tail kept',
  name: 'The tail is kept',
  about: 'Echo or hall may ring out: the send is closed, not the return.',
  needs: 'lines',
  fields: { track: track('Track that sends'), from: place('From'), to: place('To') },
  judge(evidence, { track, from, to }): Finding {
    const name = trackOf(track)
    const sends = evidence.mix.tracks.find((t) => t.id === track)?.sends ?? []
    const cut = cutTails(evidence).find(
      (c) => c.place.from < to && c.place.to > from && sends.some((s) => c.returns.includes(s.to)),
    )
    if (cut) return found('not yet', say('check.tail-kept.cut', { name, at: at(cut.place.from) }), cut.place)
    const closed = sends.some((s) => envelopeOf(evidence.mix, `send/${s.id}/level`)?.points.length)
    return found(
      closed ? 'met' : 'close',
      say(closed ? 'check.tail-kept.met' : 'check.tail-kept.nothing', { name }),
      { lane: sends[0] ? `send/${sends[0].id}/level` : null, from, to },
    )
  },
})
