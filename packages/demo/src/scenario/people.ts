import type { MondayName } from './monday/people'

/** The demo's teacher. */
export const TEACHER = { name: 'Maren Holt', signIn: 'maren' } as const

/** An evening class of ten. */
export const STUDENTS = [
  { name: 'Ines Varga', signIn: 'ines' },
  { name: 'Tobin Achterberg', signIn: 'tobin' },
  { name: 'Wilma Osei', signIn: 'wilma' },
  { name: 'Oskar Lindqvist', signIn: 'oskar' },
  { name: 'Petra Mraz', signIn: 'petra' },
  { name: 'Jonas Feld', signIn: 'jonas' },
  { name: 'Ayla Demir', signIn: 'ayla' },
  { name: 'Rune Solberg', signIn: 'rune' },
  { name: 'Bea Castellan', signIn: 'bea' },
  { name: 'Milan Novotny', signIn: 'milan' },
] as const

export type StudentName = (typeof STUDENTS)[number]['signIn'] | MondayName

/** The password of everybody in the demo. It listens on loopback only. */
export const DEMO_PASSWORD = 'evening-ferry'

export const GROUP = {
  name: 'Thursday evening class',
  place: 'Quay House music room, Ostrel',
  joinCode: 'FERRY-4',
  lessonDay: 4,
  lessonTime: '18:30',
} as const
