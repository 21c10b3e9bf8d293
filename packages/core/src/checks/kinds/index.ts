import type { CheckKind } from '../check'
import { build } from './build'
import { byPass } from './by-pass'
import { crossing } from './crossing'
import { dip } from './dip'
import { drop } from './drop'
import { evenness } from './evenness'
import { fadeIn } from './fade-in'
import { fadeOut } from './fade-out'
import { fewPoints } from './few-points'
import { form } from './form'
import { inTheMix } from './in-the-mix'
import { jump } from './jump'
import { leadOverRest } from './lead-over-rest'
import { leftAgainstRight } from './left-against-right'
import { lift } from './lift'
import { loudness } from './loudness'
import { noMistake } from './no-mistake'
import { onlyLanes } from './only-lanes'
import { position } from './position'
import { returns } from './returns'
import { silence } from './silence'
import { sweep } from './sweep'
import { tailKept } from './tail-kept'
import { throwing } from './throwing'
import { truePeak } from './true-peak'

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
