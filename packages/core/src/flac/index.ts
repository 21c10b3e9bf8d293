/** What is done to recordings beside decoders that are packages. */
export { KNOWN_FLAC, KNOWN_SAMPLES } from './known'
export { withRoomAfter } from './room-after'
export { toWholeSamples, type Scale } from './whole-samples'
