import { type Finding, at, moveIn, nameOf, say } from '../../evidence'
import { checkKind, choice, lane, place } from '../check'

export const form = checkKind({
  kind: 'form',
  name: 'Form of the move',
  about: 'A move takes its way evenly, mostly early, or mostly late.',
  needs: 'lines',
  fields: {
    lane: lane(),
    from: place('From'),
    to: place('To'),
    form: choice('Form', [
      ['even', 'evenly'],
      ['early', 'mostly at its start'],
      ['late', 'mostly at its end'],
      ['sudden', 'all at once'],
    ]),
  },
  judge(evidence, { lane, from, to, form }): Finding {
    const found = moveIn(
      evidence,
      lane,
      [
        'fade in',
        'fade out',
        'rise',
        'fall',
        'build',
        'drop',
        'sweep',
        'dip',
        'lift',
        'throw',
        'jump up',
        'jump down',
      ],
      from,
      to,
    )
    const name = nameOf(evidence, lane)
    const SAID = {
      even: 'evenly',
      early: 'mostly at its start',
      late: 'mostly at its end',
      sudden: 'all at once',
    } as const
    return {
      verdict: !found
        ? 'not yet'
        : found.form === form
          ? 'met'
          : found.unevenness < 0.2 && form !== 'sudden'
            ? 'close'
            : 'not yet',
      sentence: found
        ? say('{name} takes its way {how} from {at}.', {
            name,
            how: SAID[found.form],
            at: at(evidence, found.start),
          })
        : say('{name} does not move there.', { name }),
      place: found ? { lane, from: found.start, to: found.end } : { lane, from, to },
      figures: found
        ? [{ name: 'form', value: SAID[found.form], wanted: SAID[form as keyof typeof SAID] ?? form }]
        : [],
    }
  },
})
