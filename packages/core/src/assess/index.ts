/** Assessment: what is measured of a hand-in, and how it is said. */
export { measureMix, measurementOf, movesOfMix, type Measurement } from './measurement'
export { sayMeasurement, sayMove, moveName, laneName, laneControlName, placeText } from './describe'
export { levelInWords } from './level-words'
export { whyNotHeard, type Cause, type Listening, type Remedy } from './why-not-heard'
export { MixLoudnessMeter, PEAK_LIMIT, type Look, type MixLoudness } from './mix-loudness'
