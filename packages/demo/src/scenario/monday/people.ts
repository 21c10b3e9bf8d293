/** A class that meets on Mondays: fourteen who began together in autumn. */
export const MONDAY_STUDENTS = [
  { name: 'Alma Reyes', signIn: 'alma' },
  { name: 'Bruno Tavares', signIn: 'bruno' },
  { name: 'Cosima Hartl', signIn: 'cosima' },
  { name: 'Dario Venn', signIn: 'dario' },
  { name: 'Edda Holm', signIn: 'edda' },
  { name: 'Fynn Okoro', signIn: 'fynn' },
  { name: 'Greta Lis', signIn: 'greta' },
  { name: 'Hanno Weiss', signIn: 'hanno' },
  { name: 'Imke Sand', signIn: 'imke' },
  { name: 'Joris Vale', signIn: 'joris' },
  { name: 'Kaja Brandt', signIn: 'kaja' },
  { name: 'Lenno Pohl', signIn: 'lenno' },
  { name: 'Mira Castell', signIn: 'mira' },
  { name: 'Nils Aue', signIn: 'nils' },
] as const

export type MondayName = (typeof MONDAY_STUDENTS)[number]['signIn']

export const MONDAY_GROUP = {
  name: 'Monday beginners',
  place: 'Old Signal House, Ostrel',
  joinCode: 'SIGNAL-7',
  lessonDay: 1,
  lessonTime: '17:00',
} as const
