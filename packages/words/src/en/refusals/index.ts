import { ANSWERS } from './answers'
import { BRIEFS } from './briefs'
import { FILES } from './files'
import { MIXES } from './mixes'
import { REQUESTS } from './requests'

/** Why something cannot be done, in one sentence. */
export const REFUSALS = { ...ANSWERS, ...BRIEFS, ...FILES, ...MIXES, ...REQUESTS } as const
