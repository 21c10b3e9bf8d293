import { ASKS } from './asks'
import { BENCH } from './bench'
import { BRIEF } from './brief'
import { CLASS } from './class'
import { COMPARE } from './compare'
import { DESK } from './desk'
import { EDITOR } from './editor'
import { GLOSSARY } from './glossary'
import { HEARD } from './heard'
import { HOME } from './home'
import { LESSON } from './lesson'
import { NAMES } from './names'
import { REVIEW } from './review'
import { ROUND } from './round'
import { SHEETS } from './sheets'
import { SHELL } from './shell'
import { SONGBOOK } from './songbook'
import { TERM } from './term'
import { WORK } from './work'

/** What is said in the rooms, by room and meaning. */
export const ROOMS = {
  ...ASKS,
  ...BENCH,
  ...BRIEF,
  ...CLASS,
  ...COMPARE,
  ...DESK,
  ...EDITOR,
  ...GLOSSARY,
  ...HEARD,
  ...HOME,
  ...LESSON,
  ...NAMES,
  ...REVIEW,
  ...ROUND,
  ...SHEETS,
  ...SHELL,
  ...SONGBOOK,
  ...TERM,
  ...WORK,
} as const
