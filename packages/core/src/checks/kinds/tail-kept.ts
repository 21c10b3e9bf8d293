import { type Evidence, type Finding, at, say, trackOf, valueOf } from '../../evidence'
import { cutTails } from '../../mistakes/kinds/tail-cut'
import { lineInCharge } from '../../mix'
import { checkKind, place, track } from '../check'
import { found } from '../conclude'

/** A send that lets less than this through is shut, in dB. */
const SHUT_DB = -60

/** Whether a send is written at all, and whether it lets nothing through at a tick. */
function sendAt(
  { mix }: Evidence,
  id: string,
  tick: number,
): { readonly written: boolean; readonly shut: boolean } {
  const [level, on] = [`send/${id}/level`, `send/${id}/on`]
  return {
    written: [level, on].some((lane) => lineInCharge(mix, lane) !== undefined),
    shut: valueOf(mix, level, tick) <= SHUT_DB || valueOf(mix, on, tick) < 0.5,
  }
}

export const tailKept = checkKind({
  kind: 'tail kept',
  needs: 'lines',
  fields: { track: track('track-that-sends'), from: place('from'), to: place('to') },
  judge(evidence, { track, from, to }): Finding {
    const name = trackOf(track)
    const sends = evidence.mix.tracks.find((t) => t.id === track)?.sends ?? []
    const cut = cutTails(evidence).find(
      (c) => c.place.from < to && c.place.to > from && sends.some((s) => c.returns.includes(s.to)),
    )
    if (cut) return found('not yet', say('check.tail-kept.cut', { name, at: at(cut.place.from) }), cut.place)
    const end = Math.min(to, evidence.time.length - 1)
    const written = sends.map((s) => sendAt(evidence, s.id, end)).filter((s) => s.written)
    const closed = written.length > 0 && written.every((s) => s.shut)
    const key = closed ? 'met' : written.length ? 'open' : 'nothing'
    return found(closed ? 'met' : 'close', say(`check.tail-kept.${key}`, { name, at: at(end) }), {
      lane: sends[0] ? `send/${sends[0].id}/level` : null,
      from,
      to,
    })
  },
})
