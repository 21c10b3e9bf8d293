import { words } from '@rudlo/words'

/** What a line of a rubric looks at; a teacher may also have lines that nothing is measured for. */
export const ASPECTS = ['moves', 'balance', 'placement', 'tidiness'] as const
export type Aspect = (typeof ASPECTS)[number]

/** One line of a rubric. */
export interface Criterion {
  readonly id: string
  readonly name: string
  readonly about: string
  /** What it looks at, in a word; null for what nothing is measured for. */
  readonly aspect: Aspect | null
  /** Kinds of the checks that a proposed mark rests on; those of its aspect, if missing. */
  readonly rests?: readonly string[]
  /** What each level means, in its order; empty texts where the name says enough. */
  readonly says: readonly string[]
}

/** Kinds of checks that say something about an aspect. */
export const ASPECT_CHECKS: Readonly<Record<Aspect, readonly string[]>> = {
  moves: [
    'fade in',
    'fade out',
    'dip',
    'lift',
    'build',
    'throw',
    'sweep',
    'position',
    'returns',
    'silence',
    'form',
    'tail kept',
  ],
  balance: ['lead over rest', 'in the mix', 'left against right', 'evenness', 'loudness'],
  placement: ['crossing', 'drop', 'jump'],
  tidiness: ['only lanes', 'few points', 'no mistake', 'by pass'],
}

/** Kinds of the checks that a mark on a line rests on. */
export const restsOn = ({ rests, aspect }: Pick<Criterion, 'rests' | 'aspect'>): readonly string[] =>
  rests ?? (aspect ? ASPECT_CHECKS[aspect] : [])

/** What a hand-in is marked by. */
export interface Rubric {
  /** From the first steps to more than was asked. */
  readonly levels: readonly string[]
  readonly criteria: readonly Criterion[]
}

export const RUBRIC_LIMITS = { levels: [2, 6], criteria: [1, 12], name: 60, text: 300 } as const

/** The lines of the usual rubric. */
const USUAL = [
  { id: 'fades', aspect: 'moves' },
  { id: 'balance', aspect: 'balance' },
  { id: 'placement', aspect: 'placement' },
  { id: 'tidiness', aspect: 'tidiness' },
] as const
/** Its levels, from the first steps to more than was asked. */
const LEVELS = [1, 2, 3, 4]

/** The rubric that a new assignment begins with, in the language that is spoken. */
export const usualRubric = (): Rubric => ({
  levels: LEVELS.map((n) => words(`usual-rubric.level.${n}`)),
  criteria: USUAL.map(({ id, aspect }) => ({
    id,
    name: words(`usual-rubric.${id}`),
    about: words(`usual-rubric.${id}.about`),
    aspect,
    says: LEVELS.map((n) => words(`usual-rubric.${id}.${n}`)),
  })),
})

/** A rubric as it was stored by an earlier version, with what was added since. */
export function completeRubric(stored: {
  readonly levels?: readonly string[]
  readonly criteria?: readonly Partial<Criterion>[]
}): Rubric {
  const rubric = usualRubric()
  const levels = stored.levels ?? rubric.levels
  return {
    levels,
    criteria: (stored.criteria ?? []).map((c, i) => {
      const usual = rubric.criteria.find((u) => u.id === c.id)
      return {
        id: c.id ?? `line-${i + 1}`,
        name: c.name ?? '',
        about: c.about ?? '',
        aspect: c.aspect === undefined ? (usual?.aspect ?? null) : c.aspect,
        ...(c.rests ? { rests: c.rests } : {}),
        says: c.says ?? (usual && levels.length === usual.says.length ? usual.says : levels.map(() => '')),
      }
    }),
  }
}
