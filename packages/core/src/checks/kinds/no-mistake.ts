import { type Finding, say } from '../../evidence'
import { MISTAKES, mistakesOf } from '../../mistakes'
import { checkKind, choice } from '../check'

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
    const found = mistakesOf(evidence, [mistake])[0]
    const name = MISTAKES.find((m) => m.kind === mistake)?.name ?? mistake
    return {
      verdict: found ? 'not yet' : 'met',
      sentence: found ? found.sentence : say('Not made: {name}.', { name: name.toLowerCase() }),
      place: found?.place ?? { lane: null, from: 0, to: evidence.time.length },
      figures: [],
    }
  },
})
