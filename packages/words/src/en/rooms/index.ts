import { DESK } from './desk'
import { SHELL } from './shell'

/** What is said in the rooms, by room and meaning. */
export const ROOMS = { ...SHELL, ...DESK } as const
