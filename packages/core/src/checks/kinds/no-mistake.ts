import { type Finding, say, word } from '../../evidence'
import { MISTAKES, mistakesOf } from '../../mistakes'
import { checkKind, choice } from '../check'
import { found } from '../conclude'

export const noMistake = checkKind({
  kind: 'no mistake',
  name: 'No mistake of a kind',
  about: 'One of the usual mistakes is not made.',
  needs: 'sound',
  fields: {
    mistake: choice(
      'Not',
      MISTAKES.map((m) => [m.kind, m.name] as const),
    ),
  },
  judge(evidence, { mistake }): Finding {
    const made = mistakesOf(evidence, [mistake])[0]
    const whole = { lane: null, from: 0, to: evidence.time.length }
    if (made) return found('not yet', made.says, made.place)
    return found(
      'met',
      say('check.no-mistake.met', { mistake: word(`mistake.${mistake.replaceAll(' ', '-')}.name`) }),
      whole,
    )
  },
})
