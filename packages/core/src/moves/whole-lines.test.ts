import { describe, expect, it } from 'vitest'
import { scoreOf } from '../../test/judging/score'
import { wholeLines } from '../../test/judging/whole-lines'

// the sealed half is for `npm run bench -- --only judging`
const lines = wholeLines(400, 'open')

describe.each(['ridden', 'drawn'] as const)('whole lines that are %s', (how) => {
  const score = scoreOf(lines.filter((l) => l.ridden === (how === 'ridden')))
  const said = score.wrong.join('\n')

  it('are told as their makers would', () => {
    expect(score.named / score.lines, said).toBeGreaterThanOrEqual(how === 'ridden' ? 0.95 : 0.97)
    expect(score.falseMoves / score.moves, said).toBeLessThanOrEqual(0.02)
  })

  it('have both edges of their moves within an eighth', () => {
    expect(score.edges / score.moves, said).toBeGreaterThanOrEqual(how === 'ridden' ? 0.93 : 0.99)
  })
})
