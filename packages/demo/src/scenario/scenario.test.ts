import { assessWork, readBrief, type Assessment } from '@rudlo/core/brief'
import { RecentParts } from '@rudlo/core/heard'
import { MISTAKES } from '@rudlo/core/mistakes'
import { plainMix } from '@rudlo/core/mix'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../../scripts/lib/whole.mjs'
import { played } from '../../test/played'
import { madeOf, SONGS, STUDENTS, TERM, type PlannedAssignment, type PlannedHandIn } from '.'

const parts = new RecentParts(2000)

/** What the brief says of a work, as the server would. */
function assessed(planned: PlannedAssignment, made: Partial<PlannedHandIn>): Assessment {
  const { song, audio } = played(planned.score)
  const start = planned.start(plainMix(song))
  const mix = madeOf(start, { lines: {}, ...made })
  const more = { commands: made.commands ?? [], writing: made.writing ?? [] }
  return assessWork({ song, start, mix, brief: planned.brief, more, pictured: false }, audio, parts)!
    .assessment
}

const met = (a: Assessment) => a.tasks.filter((t) => t.verdict === 'met').length

describe('the term', () => {
  it('has six assignments on two songs, one of them in three with a tempo that changes', () => {
    expect(TERM).toHaveLength(6)
    expect(new Set(TERM.map((t) => t.score)).size).toBe(2)
    const waltz = SONGS[1]
    expect(waltz.meter[0]!.beats).toBe(3)
    expect(waltz.tempo.some((t) => t.form === 'ramp')).toBe(true)
    const authors = new Set(TERM.flatMap((t) => [...t.handIns, ...t.begun].map((h) => h.student)))
    expect(authors.size).toBe(STUDENTS.length)
  })

  it.each(TERM.map((t) => [t.title, t] as const))(
    '"%s" can be given, and is not met before anything was done',
    (_, planned) => {
      const { song } = played(planned.score)
      expect(() => readBrief(planned.brief, song, planned.start(plainMix(song)))).not.toThrow()
      expect(met(assessed(planned, {}))).toBe(0)
    },
    60_000,
  )

  it('has models that meet every task, with no false alarm', () => {
    for (const planned of TERM.filter((t) => t.model)) {
      const found = assessed(planned, planned.model!)
      const said = found.tasks.flatMap((t) =>
        t.checks.map((c) => `${c.finding.verdict}: ${c.finding.says.key}`),
      )
      expect(met(found), said.join('\n')).toBe(found.tasks.length)
      expect(found.mistakes.map((m) => m.says.key)).toEqual([])
    }
  })

  it.runIf(WHOLE)('has excellent work, and every mistake in at least one place', () => {
    const all = TERM.flatMap((planned) =>
      planned.handIns.map((h) => ({ planned, h, found: assessed(planned, h) })),
    )
    const excellent = all.filter(({ found }) => met(found) === found.tasks.length)
    expect(
      excellent.length,
      all.map(({ h, planned, found }) => `${planned.title}, ${h.student}: ${met(found)}`).join('\n'),
    ).toBeGreaterThanOrEqual(4)
    const made = new Set(all.flatMap(({ found }) => found.mistakes.map((m) => m.kind)))
    const missing = MISTAKES.map((m) => m.kind).filter((kind) => !made.has(kind))
    expect(missing).toEqual([])
  })
})
