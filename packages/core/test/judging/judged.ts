/** How well answers are judged, how often a right one is accused of something, and how well mistakes are found. */
import { askedOf } from '../../src/brief'
import { judge, kindOf, startValues } from '../../src/checks'
import { evidenceOf, type Finding } from '../../src/evidence'
import { mistakesOf, MISTAKES } from '../../src/mistakes'
import type { Mix } from '../../src/mix'
import { mistakeCases, song, start, steady } from '../drawn/mistakes'
import { answers, type Answer } from './answers'
import { listen } from './answers/listen'

export interface CheckScore {
  readonly kind: string
  readonly judged: number
  readonly right: number
  /** Right answers by another way, and how many of them were accepted. */
  readonly others: number
  readonly accepted: number
  readonly wrong: readonly string[]
}

/** What a task asks for, as mistakes are told. */
const asked = ({ kind, values }: Answer) =>
  askedOf([{ checks: [{ id: 'c', kind, values }], from: 0, to: song.length }])

/** What a check says of an answer. */
export function finding({ kind, values, loud }: Answer, mix: Mix): Finding {
  const heard = loud ? listen(mix, loud) : null
  const first = loud ? listen(start, loud) : null
  const setup = { song, mix: start, lane: 'track/reed/level', from: 0, to: 3840 }
  const all = { ...startValues(kindOf(kind), setup), ...values }
  return judge(evidenceOf(song, start, mix, { heard, first }), { id: 'c', kind, values: all })
}

/** Every check on its answers. */
export function checksJudged(each: number, half: 'open' | 'sealed'): CheckScore[] {
  const all = answers(each, half)
  return [...new Set(all.map((a) => a.kind))].map((kind) => {
    const own = all
      .filter((a) => a.kind === kind)
      .map((a) => {
        const { verdict, says } = finding(a, a.mix)
        return {
          ...a,
          verdict,
          said: `${a.name}: ${verdict}, ${says.key}`,
          ok: (verdict === 'met') === a.right,
        }
      })
    const others = own.filter((a) => a.right && a.other)
    return {
      kind,
      judged: own.length,
      right: own.filter((a) => a.ok).length,
      others: others.length,
      accepted: others.filter((a) => a.verdict === 'met').length,
      wrong: own.filter((a) => !a.ok).map((a) => a.said),
    }
  })
}

/** Right answers that are accused of a mistake, as lines that say of what. */
export function accused(
  each: number,
  half: 'open' | 'sealed',
): { readonly right: number; readonly accusations: string[] } {
  const right = answers(each, half).filter((a) => a.right)
  const accusations = right.flatMap((a) => {
    const open = a.mix.envelopes.map((e) => e.address)
    const found = mistakesOf(
      evidenceOf(song, start, a.mix, {
        heard: a.loud ? listen(a.mix, a.loud) : steady(),
        open,
        asked: asked(a),
      }),
    )
    const unjust = found.filter((m) => !a.deserved.includes(m.kind))
    return unjust.length ? [`${a.name}: ${unjust.map((m) => m.says.key).join(', ')}`] : []
  })
  return { right: right.length, accusations }
}

export interface MistakeScore {
  readonly kind: string
  /** In percent. */
  readonly precision: number
  readonly recall: number
}

/** Every mistake on works with it and works that come near it, so many of each. */
export function mistakesJudged(each: number, half: 'open' | 'sealed'): MistakeScore[] {
  const cases = mistakeCases(each, half).map((c) => ({ ...c, evidence: evidenceOf(song, start, c.mix, c) }))
  return MISTAKES.map(({ kind }) => {
    const own = cases
      .filter((c) => c.kind === kind)
      .map((c) => ({ made: c.made, said: mistakesOf(c.evidence, [kind]).length > 0 }))
    const hits = own.filter((c) => c.made && c.said).length
    const unjust = own.filter((c) => !c.made && c.said).length
    return { kind, precision: (100 * hits) / Math.max(1, hits + unjust), recall: (100 * hits) / each }
  })
}
