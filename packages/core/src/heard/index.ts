/** What is heard: a mix and its parts, rendered and measured, for checks and mistakes to look at. */
export { hear, hearTrack, hearStill, hearWhole, type Heard, type HeardTracks } from './hear'
export { RecentParts, type HeardCache } from './cache'
export { entriesOf } from './entries'
export { balanceOf, type SectionBalance } from './balance'
export { balancePicture, type BalancePicture, type LeadBar, type SectionWay } from './balance-picture'
export { hearBands, type SectionBands } from './hear-bands'
export { inTheWay, type InTheWay } from './in-the-way'
export {
  askedBand,
  fadesOn,
  isAtOnce,
  picturesAsked,
  type FadeOnLane,
  type PictureAsked,
  type PictureTask,
  type Ticks,
} from './asked'
export { hearPicture, type Picture } from './hear-picture'
export { hearCrossing, hearFade } from './hear-fade'
export { hearBuild } from './hear-build'
export { crossingPicture, HOLE_LU, type CrossingPicture, type CrossingSide } from './crossing-picture'
export {
  buildPicture,
  type Brightened,
  type BuildPicture,
  type BuiltBar,
  type LeftOut,
} from './build-picture'
export { fadePicture, type DrawnFade, type FadePicture } from './fade-picture'
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
