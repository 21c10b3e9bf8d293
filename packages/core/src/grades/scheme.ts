import { words } from '@rudlo/words'
import { GRADE_LIMITS, USUAL_LETTERS, type GradeLetter, type GradeScale } from './scale'
import { MISSING_RULES, type GradeRule, type MissingRule } from './overall'

/** How a class is marked: the school's scale, and how an overall mark is worked out. */
export interface GradeScheme extends GradeRule {
  readonly scale: GradeScale
}

/** What holds until a teacher says otherwise: the rubric's own levels, everything counts the same. */
export const usualScheme = (levels: readonly string[]): GradeScheme => ({
  scale: { kind: 'levels', levels },
  weights: {},
  drop: 0,
  missing: 'ignored',
})

const isRecord = (x: unknown): x is Readonly<Record<string, unknown>> =>
  typeof x === 'object' && x !== null && !Array.isArray(x)
const isBetween = (x: unknown, low: number, high: number): x is number =>
  typeof x === 'number' && Number.isFinite(x) && x >= low && x <= high

/**
 * Reads how a class is marked.
 * @throws RangeError with one sentence for the teacher
 */
export function readScheme(document: unknown): GradeScheme {
  if (!isRecord(document) || !isRecord(document['scale'])) throw new RangeError(words('bad-grades.scale'))
  const { scale, weights = {}, drop = 0, missing = 'ignored' } = document
  if (!isRecord(weights) || Object.keys(weights).length > 500)
    throw new RangeError(words('bad-grades.weights'))
  for (const weight of Object.values(weights))
    if (!isBetween(weight, 0, 100)) throw new RangeError(words('bad-grades.weights'))
  if (!isBetween(drop, 0, 20) || !Number.isInteger(drop)) throw new RangeError(words('bad-grades.drop'))
  if (!MISSING_RULES.includes(missing as MissingRule)) throw new RangeError(words('bad-grades.missing'))
  return {
    scale: readScale(scale as Readonly<Record<string, unknown>>),
    weights: weights as Readonly<Record<string, number>>,
    drop,
    missing: missing as MissingRule,
  }
}

function readScale(scale: Readonly<Record<string, unknown>>): GradeScale {
  switch (scale['kind']) {
    case 'percent':
      return { kind: 'percent' }
    case 'points': {
      const [fewest, most] = GRADE_LIMITS.points
      if (!isBetween(scale['most'], fewest, most))
        throw new RangeError(words('bad-grades.points', { fewest, most }))
      return { kind: 'points', most: scale['most'] }
    }
    case 'levels': {
      const levels = scale['levels']
      if (!Array.isArray(levels) || levels.length < 2 || levels.length > 10 || !levels.every(isName))
        throw new RangeError(words('bad-grades.levels'))
      return { kind: 'levels', levels: levels.map((l: string) => l.trim()) }
    }
    case 'letters':
      return { kind: 'letters', letters: readLetters(scale['letters'] ?? USUAL_LETTERS) }
    default:
      throw new RangeError(words('bad-grades.scale'))
  }
}

const isName = (x: unknown): x is string => typeof x === 'string' && x.trim().length > 0 && x.length <= 60

function readLetters(letters: unknown): GradeLetter[] {
  const [fewest, most] = GRADE_LIMITS.letters
  if (!Array.isArray(letters) || letters.length < fewest || letters.length > most)
    throw new RangeError(words('bad-grades.letters', { fewest, most }))
  const read = letters.map((one: unknown): GradeLetter => {
    if (
      !isRecord(one) ||
      !isName(one['letter']) ||
      one['letter'].length > GRADE_LIMITS.letter ||
      !isBetween(one['from'], 0, 100)
    )
      throw new RangeError(words('bad-grades.letter', { most: GRADE_LIMITS.letter }))
    return { letter: one['letter'].trim(), from: one['from'] }
  })
  if (read.some((l, i) => i > 0 && l.from >= read[i - 1]!.from))
    throw new RangeError(words('bad-grades.order'))
  return read
}
