/** What is heard: a mix and its parts, rendered and measured, for checks and mistakes to look at. */
export { hear, RecentParts, type Heard, type HeardCache } from './hear'
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
