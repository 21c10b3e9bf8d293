import { CHECK_KINDS } from '../checks'
import { ASPECTS, RUBRIC_LIMITS, type Aspect, type Criterion, type Rubric } from './rubric'

const isRecord = (x: unknown): x is Readonly<Record<string, unknown>> =>
  typeof x === 'object' && x !== null && !Array.isArray(x)

function text(x: unknown, most: number, what: string, least = 1): string {
  const trimmed = typeof x === 'string' ? x.trim() : ''
  if (trimmed.length < least) throw new RangeError(`${what} is missing.`)
  if (trimmed.length > most) throw new RangeError(`${what} has more than ${most} characters.`)
  return trimmed
}

/**
 * Reads a rubric that somebody wrote.
 * @throws RangeError with one sentence for the teacher
 */
export function readRubric(document: unknown): Rubric {
  if (!isRecord(document) || !Array.isArray(document['levels']) || !Array.isArray(document['criteria']))
    throw new RangeError('A rubric needs levels and lines.')
  const { levels, criteria } = document as { levels: unknown[]; criteria: unknown[] }
  const [fewest, most] = RUBRIC_LIMITS.levels
  if (levels.length < fewest || levels.length > most)
    throw new RangeError(`A rubric has between ${fewest} and ${most} levels.`)
  const [few, many] = RUBRIC_LIMITS.criteria
  if (criteria.length < few || criteria.length > many)
    throw new RangeError(`A rubric has between ${few} and ${many} lines.`)
  const names = levels.map((l, i) => text(l, RUBRIC_LIMITS.name, `The name of level ${i + 1}`))
  if (new Set(names).size < names.length) throw new RangeError('Two levels have the same name.')
  const read = criteria.map((c, i) => readCriterion(c, i, names.length))
  if (new Set(read.map((c) => c.id)).size < read.length) throw new RangeError('Two lines have the same id.')
  return { levels: names, criteria: read }
}

function rests(value: unknown, line: string): Pick<Criterion, 'rests'> {
  if (value === undefined) return {}
  if (!Array.isArray(value) || !value.every((kind) => CHECK_KINDS.some((k) => k.kind === kind)))
    throw new RangeError(`${line} rests on a check that there is not.`)
  return { rests: value.map(String) }
}

function readCriterion(c: unknown, i: number, levels: number): Criterion {
  const line = `Line ${i + 1} of the rubric`
  if (!isRecord(c)) throw new RangeError(`${line} is not a line.`)
  const aspect = c['aspect'] ?? null
  if (aspect !== null && !ASPECTS.includes(aspect as Aspect))
    throw new RangeError(`${line} looks at something that is not measured.`)
  const says = Array.isArray(c['says']) ? (c['says'] as unknown[]) : []
  if (says.length > levels) throw new RangeError(`${line} describes more levels than there are.`)
  return {
    id: text(c['id'], RUBRIC_LIMITS.name, `The id of line ${i + 1}`),
    name: text(c['name'], RUBRIC_LIMITS.name, `The name of line ${i + 1}`),
    about: text(c['about'] ?? '', RUBRIC_LIMITS.text, `What line ${i + 1} is about`, 0),
    aspect: aspect as Aspect | null,
    ...rests(c['rests'], line),
    says: Array.from({ length: levels }, (_, k) =>
      text(says[k] ?? '', RUBRIC_LIMITS.text, `What line ${i + 1} says of level ${k + 1}`, 0),
    ),
  }
}
