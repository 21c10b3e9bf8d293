import { CHECKS } from './checks'
import { FIGURES } from './figures'
import { MARKS } from './marks'
import { MISTAKES } from './mistakes'
import { PARTS } from './parts'

/** Everything that is said in English, by key. */
export const EN: Readonly<Record<string, string>> = { ...CHECKS, ...MISTAKES, ...FIGURES, ...MARKS, ...PARTS }
