/** Loudness by ITU-R BS.1770-4 and EBU Tech 3341 and 3342. */
export { kWeighting, KWeightedEnergy, StereoEnergy, type Biquad, type SideEnergies } from './k-weighting'
export { ChannelMeter, type ChannelLoudness } from './channel'
export { LoudnessMeter, loudnessOf, measureLoudness, type Loudness } from './meter'
export { LiveLoudness } from './live'
export { TruePeak } from './true-peak'
export { integratedLoudness, loudnessRange, loudnessTrace } from './gating'
export { TraceFollower } from './trace-follower'
export { lufsOfEnergy, energyOfLufs, dbfs } from './lufs'
