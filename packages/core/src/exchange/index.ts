/** Files and packed forms that the core reads and writes. */
export {
  BUNDLE_TIME,
  bundleAudio,
  bundleDocuments,
  packBundle,
  unpackBundle,
  type Bundle,
  type BundleParts,
} from './bundle'
export {
  overviewOf,
  OverviewMaker,
  packOverview,
  unpackOverview,
  OVERVIEW_STEP,
  type Overview,
} from './overview'
export { coarsestBytes, songPicture } from './song-picture'
export { writeWav, readWav, wavLayout, readWavChannel, quantise, type WavAudio, type WavLayout } from './wav'
export { csvText } from './csv'
export {
  linesFromCsv,
  linesFromJson,
  linesToCsv,
  linesToJson,
  type LinesDocument,
  type ReadLines,
} from './lines'
export { linesFromMidiFile } from './lines-from-midi'
export { stemName } from './stem-name'
