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

/** The rubric that a new assignment begins with. */
export const USUAL_RUBRIC: Rubric = {
  levels: ['not yet', 'nearly', 'there', 'beyond'],
  criteria: [
    {
      id: 'fades',
      name: 'Fades and moves',
      about: 'They come and go where they should, evenly, and reach silence.',
      aspect: 'moves',
      says: [
        'The moves that were asked are not there yet.',
        'Most moves are there; some start, end or bend in the wrong place.',
        'Every move is there and does what was asked.',
        'Every move is there, and it sounds as if it had to be so.',
      ],
    },
    {
      id: 'balance',
      name: 'Balance',
      about: 'What matters is easy to follow, and nothing else is lost.',
      aspect: 'balance',
      says: [
        'The tune is hard to follow, or nothing else can be heard.',
        'The tune can be followed most of the time.',
        'The tune is easy to follow in every section.',
        'The balance tells the story: attention goes where the song wants it.',
      ],
    },
    {
      id: 'placement',
      name: 'Placement',
      about: 'Moves begin and end with the music.',
      aspect: 'placement',
      says: [
        'Moves come before or after the music asks for them.',
        'Most moves are in time; one or two are early or late.',
        'Moves begin and end with the music.',
        'Moves breathe with the phrases.',
      ],
    },
    {
      id: 'tidiness',
      name: 'Tidiness',
      about: 'Few points, nothing stray, nothing left unsafe.',
      aspect: 'tidiness',
      says: [
        'Lines that nobody asked for, or many more points than needed.',
        'Nearly tidy: a stray point or lane is left.',
        'As many points as the lines need, and nothing else.',
        'So clear that somebody else could go on from here.',
      ],
    },
  ],
}

/** A rubric as it was stored by an earlier version, with what was added since. */
export function completeRubric(stored: {
  readonly levels?: readonly string[]
  readonly criteria?: readonly Partial<Criterion>[]
}): Rubric {
  const levels = stored.levels ?? USUAL_RUBRIC.levels
  return {
    levels,
    criteria: (stored.criteria ?? []).map((c, i) => {
      const usual = USUAL_RUBRIC.criteria.find((u) => u.id === c.id)
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
