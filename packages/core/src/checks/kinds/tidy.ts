import { envelopeOf } from '../../mix'
import { MISTAKES, mistakesOf } from '../../mistakes'
import { checkKind, choice, lane, lanes, number, place, type Finding } from '../check'
import { moveIn } from '../evidence'
import { at, nameOf, say } from '../say'
import { listText } from '../../assess'

export const onlyLanes = checkKind({
  kind: 'only lanes',
  name: 'Only these lanes changed',
  about: 'No other line was drawn or changed.',
  needs: 'lines',
  fields: { lanes: lanes('May change') },
  judge(evidence, { lanes }): Finding {
    const { mix, start, time } = evidence
    const changed = mix.envelopes.filter(
      (e) =>
        !lanes.includes(e.address) &&
        JSON.stringify(e.points) !== JSON.stringify(envelopeOf(start, e.address)?.points ?? []),
    )
    const names = listText(changed.map((e) => nameOf(evidence, e.address)))
    return {
      verdict: changed.length ? 'not yet' : 'met',
      sentence: changed.length
        ? say('{names} moves too, though nobody asked for it.', { names })
        : 'Only what was asked for moves.',
      place: { lane: changed[0]?.address ?? null, from: 0, to: time.length },
      figures: [{ name: 'other lines', value: String(changed.length), wanted: 'none' }],
    }
  },
})

export const fewPoints = checkKind({
  kind: 'few points',
  name: 'At most so many points',
  about: 'The line says it with few points, so that it can still be changed.',
  needs: 'lines',
  fields: { lane: lane(), most: number('At most', 'points', 20, 1, 5000) },
  judge(evidence, { lane, most }): Finding {
    const count = envelopeOf(evidence.mix, lane)?.points.length ?? 0
    return {
      verdict: count <= most ? 'met' : count <= most * 1.5 ? 'close' : 'not yet',
      sentence: say(
        count <= most
          ? '{name} has {count} points: easy to change.'
          : '{name} has {count} points: thin them out, and it can be changed again.',
        { name: nameOf(evidence, lane), count },
      ),
      place: { lane, from: 0, to: evidence.time.length },
      figures: [{ name: 'points', value: String(count), wanted: `at most ${most}` }],
    }
  },
})

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

export const byPass = checkKind({
  kind: 'by pass',
  name: 'Performed in a pass',
  about: 'The line was written by hand while the song played, in a given way.',
  needs: 'lines',
  fields: {
    lane: lane(),
    way: choice('Way of writing', [
      ['any', 'any way'],
      ['hold', 'while I hold (touch)'],
      ['move', 'from when I move (latch)'],
      ['play to stop', 'from play to stop (write)'],
      ['shift', 'shift what is there (trim)'],
      ['meet', 'until I meet the line'],
    ]),
  },
  judge(evidence, { lane, way }): Finding {
    const passes = evidence.commands.filter((c) => c.how !== 'hand' && c.lanes.includes(lane))
    const right = passes.filter((c) => way === 'any' || c.how === way)
    const name = nameOf(evidence, lane)
    const last = right.at(-1)
    return {
      verdict: right.length ? 'met' : passes.length ? 'close' : 'not yet',
      sentence: say(
        right.length
          ? '{name} was written by hand while the song played.'
          : passes.length
            ? '{name} was written while the song played, but in another way.'
            : '{name} was drawn, not played: ride its control while you listen.',
        { name },
      ),
      place: { lane, from: last?.from ?? 0, to: last?.to ?? evidence.time.length },
      figures: [{ name: 'passes', value: String(right.length), wanted: 'at least 1' }],
    }
  },
})

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
