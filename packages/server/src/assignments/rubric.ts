/** What a hand-in is marked by. */
export interface Rubric {
  /** From the first steps to more than was asked. */
  readonly levels: readonly string[]
  readonly criteria: readonly { readonly id: string; readonly name: string; readonly about: string }[]
}

/** The rubric that a new assignment begins with. */
export const USUAL_RUBRIC: Rubric = {
  levels: ['not yet', 'nearly', 'there', 'beyond'],
  criteria: [
    {
      id: 'fades',
      name: 'Fades and moves',
      about: 'They come and go where they should, evenly, and reach silence.',
    },
    { id: 'balance', name: 'Balance', about: 'What matters is easy to follow, and nothing else is lost.' },
    { id: 'placement', name: 'Placement', about: 'Moves begin and end with the music.' },
    { id: 'tidiness', name: 'Tidiness', about: 'Few points, nothing stray, nothing left unsafe.' },
  ],
}
