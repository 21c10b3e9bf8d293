import type { EffectKind } from './catalogue'
import { makeChopper } from './chopper/processor'
import { makeDelay } from './delay/processor'
import { makeEq } from './eq/processor'
import { makeFilter } from './filter/processor'
import { makeFlanger } from './flanger/processor'
import { makePlaying } from './playing/processor'
import type { MakeProcessor } from './processor'
import { makeReverb } from './reverb/processor'

/** What makes the inside of each effect. */
export const PROCESSORS: Readonly<Record<EffectKind, MakeProcessor>> = {
  eq: makeEq,
  filter: makeFilter,
  delay: makeDelay,
  reverb: makeReverb,
  flanger: makeFlanger,
  chopper: makeChopper,
  playing: makePlaying,
}
