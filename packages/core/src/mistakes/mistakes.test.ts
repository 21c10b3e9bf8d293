import { describe, expect, it } from 'vitest'
import { mistakeCases, song, start } from '../../test/drawn/mistakes'
import { evidenceOf } from '../evidence'
import { mixProblem } from '../mix'
import { MISTAKES, mistakesOf } from '.'

const cases = mistakeCases(20).map((c) => ({ ...c, evidence: evidenceOf(song, start, c.mix, c) }))

describe.each(MISTAKES.map((m) => [m.kind]))('the mistake "%s"', (kind) => {
  const own = cases.filter((c) => c.kind === kind)
  const found = own.map((c) => ({ ...c, said: mistakesOf(c.evidence, [kind]) }))

  it('is found where it is made, and not where it is only near, in at least 95 of 100', () => {
    expect(own).toHaveLength(40)
    const missed = found.filter((c) => c.made && !c.said.length).map((c) => c.name)
    const false_ = found
      .filter((c) => !c.made && c.said.length)
      .map((c) => `${c.name}: ${c.said[0]!.says.key}`)
    const hits = found.filter((c) => c.made && c.said.length).length
    expect(hits / 20, `missed: ${missed.join('; ')}`).toBeGreaterThanOrEqual(0.95)
    expect(hits / (hits + false_.length), `false: ${false_.join('; ')}`).toBeGreaterThanOrEqual(0.95)
  })

  it('says where, in a whole sentence, and its repair leaves a mix that is right and without it', () => {
    for (const { said, evidence, name } of found.filter((c) => c.made && c.said.length)) {
      const [mistake] = said
      expect(mistake!.says.key, name).toMatch(/^mistake\.[a-z-]+\.says$/)
      expect(mistake!.place.to, name).toBeGreaterThan(mistake!.place.from)
      const repair = mistake!.repair?.()
      if (!repair) continue
      expect(repair.label.key, name).toMatch(/\.repair$/)
      expect(mixProblem(repair.mix, song), name).toBeNull()
      // what is heard is not rendered anew here: what follows from it alone stays
      if (['too hot', 'too wet'].includes(kind)) continue
      const again = mistakesOf({ ...evidenceOf(song, start, repair.mix, evidence) }, [kind])
      expect(again.length, `${name}: ${again[0]?.says.key}`).toBeLessThan(said.length)
    }
  })
})

it('are none in the starting mix, and the worst come first', () => {
  expect(mistakesOf(evidenceOf(song, start, start))).toEqual([])
  for (const { evidence } of cases) {
    const severities = mistakesOf(evidence).map((m) => m.severity)
    expect(severities).toEqual([...severities].sort((a, b) => b - a))
  }
})
