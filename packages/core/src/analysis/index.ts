/** What can be heard in recordings before anybody has said anything about them: tempo, sections, a rough balance. */
export { outlineOf, OUTLINE_RATE, type Outline } from './outline'
export { findTempo, type FoundTempo } from './find-tempo'
export type { FoundMeter } from './find-meter'
export { proposeSections } from './propose-sections'
export { roughBalance } from './rough-balance'
export { balanceParts, levelOfMix, MIX_LUFS, MIX_PEAK, type PlayedPart } from './balance-parts'
