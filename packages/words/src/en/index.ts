import { CHECKS } from './checks'
import { FIGURES } from './figures'
import { MARKS } from './marks'
import { MISTAKES } from './mistakes'
import { MOVES } from './moves'
import { PARTS } from './parts'
import { UNHEARD } from './unheard'

/** Everything that is said in English, by key. */
export const EN: Readonly<Record<string, string>> = {
  ...CHECKS,
  ...MISTAKES,
  ...FIGURES,
  ...MARKS,
  ...MOVES,
  ...PARTS,
  ...UNHEARD,
}
