/** Proposed marks beside those that a teacher would give, for hand-ins that are made of answers. */
import { proposeMarks, usualRubric } from '../../src/rubric'
import { Chance } from '../drawn/hand'
import { start } from '../drawn/mistakes'
import { answers } from './answers'
import { finding } from './judged'

/** What an answer is worth to a teacher who gives marks, and from which mean on a line of the rubric is nearly there. */
const WORTH = { right: 1, near: 0.5, wrong: 0 } as const
const NEARLY = 0.4
const OF_ALL = usualRubric().criteria[0]!

/** Hand-ins of two to five answers, most of them rather good or rather poor. @returns in percent */
export function marksJudged(
  count: number,
  half: 'open' | 'sealed',
): { readonly same: number; readonly within: number } {
  const pool = answers(60, half).map((a) => ({ ...a, now: finding(a, a.mix), before: finding(a, start) }))
  let [same, within] = [0, 0]
  for (let i = 0; i < count; i++) {
    const c = new Chance(80_000 + i)
    const good = c.next()
    const own = Array.from({ length: c.whole(2, 5) }, () => {
      const wanted = c.next() < good
      return c.one(pool.filter((a) => a.right === wanted))
    })
    const worth = own.map((a) => (a.right ? WORTH.right : a.near ? WORTH.near : WORTH.wrong))
    const mean = worth.reduce<number>((a, b) => a + b, 0) / worth.length
    const given = mean === 1 ? 2 : mean >= NEARLY ? 1 : 0
    const tasks = (which: 'now' | 'before') =>
      own.map((a, k) => ({
        task: String(k),
        verdict: a[which].verdict,
        checks: [{ check: `c${k}`, kind: a.kind, name: a.name, finding: a[which] }],
      }))
    const rubric = { ...usualRubric(), criteria: [{ ...OF_ALL, rests: own.map((a) => a.kind) }] }
    const weights = own.map((_, k) => ({ id: String(k), weight: 1 }))
    const proposal = proposeMarks(rubric, weights, { tasks: tasks('now'), before: tasks('before') })[
      OF_ALL.id
    ]
    // to propose nothing is right where nothing was done
    const off = Math.abs((proposal?.level ?? 0) - given)
    if (off === 0) same++
    if (off <= 1) within++
  }
  return { same: (100 * same) / count, within: (100 * within) / count }
}
