import { words } from '@rudlo/words'
import { CHECK_KINDS } from '../checks'
import { ASPECTS, RUBRIC_LIMITS, type Aspect, type Criterion, type Rubric } from './rubric'

const isRecord = (x: unknown): x is Readonly<Record<string, unknown>> =>
  typeof x === 'object' && x !== null && !Array.isArray(x)

function text(x: unknown, most: number, what: string, least = 1): string {
  const trimmed = typeof x === 'string' ? x.trim() : ''
  if (trimmed.length < least) throw new RangeError(words('bad-rubric.missing', { what }))
  if (trimmed.length > most) throw new RangeError(words('bad-rubric.more-characters', { what, most }))
  return trimmed
}

/**
 * Reads a rubric that somebody wrote.
 * @throws RangeError with one sentence for the teacher
 */
export function readRubric(document: unknown): Rubric {
  if (!isRecord(document) || !Array.isArray(document['levels']) || !Array.isArray(document['criteria']))
    throw new RangeError(words('bad-rubric.needs-levels'))
  const { levels, criteria } = document as { levels: unknown[]; criteria: unknown[] }
  const [fewest, most] = RUBRIC_LIMITS.levels
  if (levels.length < fewest || levels.length > most)
    throw new RangeError(words('bad-rubric.between-levels', { fewest, most }))
  const [few, many] = RUBRIC_LIMITS.criteria
  if (criteria.length < few || criteria.length > many)
    throw new RangeError(words('bad-rubric.between-lines', { fewest: few, most: many }))
  const names = levels.map((l, i) =>
    text(l, RUBRIC_LIMITS.name, words('bad-rubric.name-level', { i: i + 1 })),
  )
  if (new Set(names).size < names.length) throw new RangeError(words('bad-rubric.two-levels-same'))
  const read = criteria.map((c, i) => readCriterion(c, i, names.length))
  if (new Set(read.map((c) => c.id)).size < read.length)
    throw new RangeError(words('bad-rubric.two-lines-same'))
  return { levels: names, criteria: read }
}

function rests(value: unknown, line: string): Pick<Criterion, 'rests'> {
  if (value === undefined) return {}
  if (!Array.isArray(value) || !value.every((kind) => CHECK_KINDS.some((k) => k.kind === kind)))
    throw new RangeError(words('bad-rubric.rests-check-not', { line }))
  return { rests: value.map(String) }
}

function readCriterion(c: unknown, i: number, levels: number): Criterion {
  const line = words('bad-rubric.line', { i: i + 1 })
  if (!isRecord(c)) throw new RangeError(words('bad-rubric.not-line', { line }))
  const aspect = c['aspect'] ?? null
  if (aspect !== null && !ASPECTS.includes(aspect as Aspect))
    throw new RangeError(words('bad-rubric.looks-something-not', { line }))
  const says = Array.isArray(c['says']) ? (c['says'] as unknown[]) : []
  if (says.length > levels) throw new RangeError(words('bad-rubric.describes-more-levels', { line }))
  return {
    id: text(c['id'], RUBRIC_LIMITS.name, words('bad-rubric.id-line', { i: i + 1 })),
    name: text(c['name'], RUBRIC_LIMITS.name, words('bad-rubric.name-line', { i: i + 1 })),
    about: text(c['about'] ?? '', RUBRIC_LIMITS.text, words('bad-rubric.line-about', { i: i + 1 }), 0),
    aspect: aspect as Aspect | null,
    ...rests(c['rests'], line),
    says: Array.from({ length: levels }, (_, k) =>
      text(says[k] ?? '', RUBRIC_LIMITS.text, words('bad-rubric.line-says-level', { i: i + 1, k: k + 1 }), 0),
    ),
  }
}
