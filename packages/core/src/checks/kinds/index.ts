import type { CheckKind } from '../check'
import { evenness, inTheMix, leadOverRest, leftAgainstRight } from './balance'
import { build } from './build'
import { crossing } from './crossing'
import { fadeIn, fadeOut } from './fades'
import { drop, jump, sweep, throwing } from './moments'
import { loudness, tailKept, truePeak } from './sound'
import { dip, lift } from './steps-aside'
import { byPass, fewPoints, form, noMistake, onlyLanes } from './tidy'
import { position, returns, silence } from './values'

/** Every kind of check, in the order in which teachers find them. */
export const CHECK_KINDS: readonly CheckKind[] = [
  fadeIn,
  fadeOut,
  dip,
  lift,
  build,
  drop,
  jump,
  throwing,
  sweep,
  crossing,
  position,
  returns,
  silence,
  leadOverRest,
  inTheMix,
  leftAgainstRight,
  evenness,
  loudness,
  truePeak,
  tailKept,
  onlyLanes,
  fewPoints,
  form,
  byPass,
  noMistake,
]
