import { type Finding, say, word } from '../../evidence'
import { MISTAKES, mistakeName, mistakesOf } from '../../mistakes'
import { checkKind, choice } from '../check'
import { found } from '../conclude'

export const noMistake = checkKind({
  kind: 'no mistake',
  needs: 'sound',
  fields: {
    mistake: choice(
      'not',
      MISTAKES.map((m) => m.kind),
      mistakeName,
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
