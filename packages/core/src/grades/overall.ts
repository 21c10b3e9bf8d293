/** What is done about work that was due and never came. */
export const MISSING_RULES = ['ignored', 'nothing'] as const
export type MissingRule = (typeof MISSING_RULES)[number]

/** How an overall mark is worked out. */
export interface GradeRule {
  /** How much an assignment counts, by its id; 1 where it is not said. */
  readonly weights: Readonly<Record<string, number>>
  /** How many of the lowest are dropped. */
  readonly drop: number
  /** Whether work that is missing is left out or counts as nothing. */
  readonly missing: MissingRule
}

/** One assignment of a student, as far as marks go. */
export interface Graded {
  readonly assignment: string
  /** 0…1; null where it is not marked. */
  readonly share: number | null
  readonly excused: boolean
  /** Due, and not handed in. */
  readonly missing: boolean
}

/** What came out of a rule. */
export interface Overall {
  /** 0…1; null where nothing counts. */
  readonly share: number | null
  /** Assignments that count. */
  readonly counted: readonly string[]
  /** Assignments whose mark was dropped as one of the lowest. */
  readonly dropped: readonly string[]
}

/**
 * What share of what can be reached the marks of one hand-in are: the mean of its criteria, each from 0 for the lowest level to 1
 * for the highest.
 * @param marks level by criterion
 * @param criterion only this one
 * @returns null where nothing of it is marked
 */
export function shareOfMarks(
  {
    levels,
    criteria,
  }: { readonly levels: readonly string[]; readonly criteria: readonly { readonly id: string }[] },
  marks: Readonly<Record<string, number>>,
  criterion?: string,
): number | null {
  const top = Math.max(1, levels.length - 1)
  const given = criteria
    .filter((c) => criterion === undefined || c.id === criterion)
    .flatMap((c) => (marks[c.id] === undefined ? [] : [marks[c.id]! / top]))
  return given.length ? given.reduce((a, b) => a + b, 0) / given.length : null
}

/** The overall mark of a student by a rule: the weighted mean of what counts, after the lowest were dropped. At least one is kept. */
export function overallOf(all: readonly Graded[], { weights, drop, missing }: GradeRule): Overall {
  const counted = all
    .filter((g) => !g.excused)
    .flatMap((g) => {
      const share = g.share ?? (g.missing && missing === 'nothing' ? 0 : null)
      const weight = weights[g.assignment] ?? 1
      return share === null || weight <= 0 ? [] : [{ assignment: g.assignment, share, weight }]
    })
  const lowestFirst = [...counted].sort((a, b) => a.share - b.share)
  const dropped = lowestFirst.slice(0, Math.max(0, Math.min(drop, counted.length - 1)))
  const kept = counted.filter((c) => !dropped.includes(c))
  const sum = kept.reduce((w, c) => w + c.weight, 0)
  return {
    share: sum ? kept.reduce((s, c) => s + c.share * c.weight, 0) / sum : null,
    counted: kept.map((c) => c.assignment),
    dropped: dropped.map((c) => c.assignment),
  }
}
