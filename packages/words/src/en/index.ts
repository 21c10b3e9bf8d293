import { CHECKS } from './checks'
import { CONTROLS } from './controls'
import { FIGURES } from './figures'
import { KINDS } from './kinds'
import { MARKS } from './marks'
import { MISTAKES } from './mistakes'
import { MOVES } from './moves'
import { PARTS } from './parts'
import { REFUSALS } from './refusals'
import { TABLES } from './tables'
import { TASKS } from './tasks'
import { UNHEARD } from './unheard'
import { USUAL } from './usual'

/** Everything that is said in English by the computation, the contract and the server, by key. */
export const EN = {
  ...CHECKS,
  ...CONTROLS,
  ...FIGURES,
  ...KINDS,
  ...MARKS,
  ...MISTAKES,
  ...MOVES,
  ...PARTS,
  ...REFUSALS,
  ...TABLES,
  ...TASKS,
  ...UNHEARD,
  ...USUAL,
} as const
