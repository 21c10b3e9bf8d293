/** The mix: `rudlo-mix` version 1, its addresses, limits, edits, and patches between two of them. */
export * from './mix'
export { lanesAlong, withReadyMove, type MoveAsked } from './ready-move'
export * from './address'
export {
  askedTempo,
  followsTempo,
  inTempo,
  recordedTracks,
  soundingOf,
  soundingTime,
  tempoChanges,
  tempoLine,
  withTempoLine,
  type Sounding,
} from './tempo-line'
export { MIX_SCHEMA } from './schema'
export { mixProblem } from './invariants'
export { upgradeMix, MIX_VERSION } from './upgrade'
export { isColoured, plainMix, playingOf } from './start'
export { mixForSong } from './for-song'
export { envelopeOf, laneAt, lineInCharge, withLineShown, withPoints, withLane, type Lane } from './lanes'
export { PATCH_LIMITS, patchBetween, type Patch, type PatchOperation } from './patch'
export { withSetting } from './settings'
export {
  addEffect,
  addReturn,
  addSend,
  changeEffect,
  freshEffect,
  moveEffect,
  removeEffect,
  removeReturn,
  removeSend,
  tapSend,
} from './chains'
export { restoreControl, restoreOwner } from './restore'
export { regionOf, withRegion, type RegionChange } from './regions'
export {
  copyRegion,
  moveRegion,
  regionEnds,
  removeRegion,
  splitRegion,
  trimRegion,
  withLinesAlong,
} from './region-edits'
export {
  editMotif,
  freeChanged,
  freedMotifs,
  keepMotif,
  motifKind,
  motifsFor,
  placeMotif,
  removeMotif,
  renameMotif,
} from './motifs'
export { changedStretch, type Stretch } from './changed'
export { allLanes, lanesOf } from './lane-list'
export { PatchProblem, withPatch } from './apply-patch'
