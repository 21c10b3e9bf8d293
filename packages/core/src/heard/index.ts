/** What is heard: a mix and its parts, rendered and measured, for checks and mistakes to look at. */
export { hear, type Heard } from './hear'
export { RecentParts, type HeardCache } from './cache'
export { entriesOf } from './entries'
export { balanceOf, type SectionBalance } from './balance'
export {
  brightness,
  emptyPart,
  energies,
  HOPS,
  hopsIn,
  leftOverRight,
  loudnessIn,
  over,
  sounding,
  together,
  type Part,
  type Seconds,
} from './part'
