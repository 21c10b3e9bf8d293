/** What of the effects' insides others draw or test. */
export { bell, shelf, identity, type Coefficients } from './parts/biquad'
export { flangerDelay } from './flanger/processor'
export { chopperOpening, CHOPPER_PATTERNS } from './chopper/processor'
export {
  effectResponse,
  eqResponse,
  filterResponse,
  delayRepeats,
  reverbDecay,
  type Repeat,
} from './pictures'
