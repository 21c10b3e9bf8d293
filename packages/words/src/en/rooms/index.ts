import { BENCH } from './bench'
import { DESK } from './desk'
import { EDITOR } from './editor'
import { NAMES } from './names'
import { REVIEW } from './review'
import { SHEETS } from './sheets'
import { SHELL } from './shell'
import { WORK } from './work'

/** What is said in the rooms, by room and meaning. */
export const ROOMS = { ...BENCH, ...DESK, ...EDITOR, ...NAMES, ...REVIEW, ...SHEETS, ...SHELL, ...WORK } as const
