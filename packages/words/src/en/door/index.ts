import { PEOPLE } from './people'
import { UI } from './ui'

/** What is said before somebody is signed in, and by the parts that every page is made of. */
export const DOOR = { ...UI, ...PEOPLE } as const
