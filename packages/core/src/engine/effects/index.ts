/** The effects: what each does, and the slot and chain they stand in. */
export { EffectChain } from './effect-chain'
export { bell, shelf, identity, type Coefficients } from './biquad'
export { flangerDelay } from './flanger'
export { chopperOpening, CHOPPER_PATTERNS } from './chopper'
export { eqResponse, filterResponse, delayRepeats, reverbDecay, type Repeat } from './response'
