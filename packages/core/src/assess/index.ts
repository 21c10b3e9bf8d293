/** Assessment: what is measured of a hand-in, and how it is said. */
export { measureMix, movesOfMix, type Measurement } from './measurement'
export { describeMeasurement, moveSentence, laneName, laneControlName } from './describe'
export { describeChanges, type Version } from './changes'
export { barsText, levelText, listText } from './words'
export { levelInWords } from './level-words'
export { whyNotHeard, type Cause, type Listening, type Remedy } from './why-not-heard'
export { MixLoudnessMeter, type MixLoudness } from './mix-loudness'
