/** How a school writes its marks. */
export type GradeScale =
  /** In the words of the rubric's own levels, the lowest first. */
  | { readonly kind: 'levels'; readonly levels: readonly string[] }
  /** From 0 to so many points. */
  | { readonly kind: 'points'; readonly most: number }
  /** A letter or a number for each stretch, the best first. */
  | { readonly kind: 'letters'; readonly letters: readonly GradeLetter[] }
  | { readonly kind: 'percent' }

/** A letter, and the percent from which on it is given. */
export interface GradeLetter {
  readonly letter: string
  readonly from: number
}

export const GRADE_KINDS = [
  'levels',
  'points',
  'letters',
  'percent',
] as const satisfies readonly GradeScale['kind'][]
export const GRADE_LIMITS = { letters: [2, 16], letter: 12, points: [1, 1000] } as const

/** Five letters in equal steps of what is usually passed with. */
export const USUAL_LETTERS: readonly GradeLetter[] = [
  { letter: 'A', from: 85 },
  { letter: 'B', from: 70 },
  { letter: 'C', from: 55 },
  { letter: 'D', from: 40 },
  { letter: 'E', from: 0 },
]

/**
 * A share of what can be reached as the school writes it.
 * @param share 0…1
 */
export function gradeText(scale: GradeScale, share: number): string {
  const inside = Math.min(1, Math.max(0, share))
  switch (scale.kind) {
    case 'levels':
      return scale.levels[Math.round(inside * (scale.levels.length - 1))] ?? ''
    case 'points':
      return String(Math.round(inside * scale.most * 10) / 10)
    case 'letters': {
      const percent = Math.round(inside * 1000) / 10
      return (scale.letters.find(({ from }) => percent >= from) ?? scale.letters.at(-1))?.letter ?? ''
    }
    case 'percent':
      return `${Math.round(inside * 100)} %`
  }
}

/** The highest number that a scale has, for formats that want one: points, or 100 percent. */
export const mostOf = (scale: GradeScale): number => (scale.kind === 'points' ? scale.most : 100)

/** A share as a number of the scale: points, or percent. To a tenth. */
export const gradeNumber = (scale: GradeScale, share: number): number =>
  Math.round(Math.min(1, Math.max(0, share)) * mostOf(scale) * 10) / 10
