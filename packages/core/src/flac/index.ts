/** What is done to recordings beside decoders that are packages. */
export { withRoomAfter } from './room-after'
export { toWholeSamples, type Scale } from './whole-samples'
