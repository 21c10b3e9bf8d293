import { type Finding, amount, at, laneOf, moveIn, say, wanted, word } from '../../evidence'
import { MOVE_KINDS } from '../../moves'
import { checkKind, choice, lane, place } from '../check'
import { found } from '../conclude'

export const form = checkKind({
  kind: 'form',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('from'),
    to: place('to'),
    form: choice('form', ['even', 'early', 'late', 'sudden']),
  },
  judge(evidence, { lane, from, to, form }): Finding {
    const name = laneOf(lane)
    const move = moveIn(
      evidence,
      lane,
      MOVE_KINDS.filter((k) => k !== 'rhythm'),
      from,
      to,
    )
    if (!move) return found('not yet', say('check.form.none', { name, at: at(from) }), { lane, from, to })
    const nearly = move.unevenness < 0.2 && form !== 'sudden'
    const verdict = move.form === form ? 'met' : nearly ? 'close' : 'not yet'
    const parts = { name, how: word(`form.${move.form}`), asked: word(`form.${form}`), at: at(move.start) }
    return found(
      verdict,
      say(verdict === 'met' ? 'check.form.met' : 'check.form.off', parts),
      { lane, from: move.start, to: move.end },
      [
        { name: 'form', value: word(`form.${move.form}`), wanted: wanted('is', word(`form.${form}`)) },
        { name: 'uneven', value: amount(move.unevenness * 100, '%', 0), wanted: null },
      ],
    )
  },
})
