/** Worker thread that makes of an audio file what is kept of it: it is large, and everything done to it takes its time. */
import { answering } from '../jobs/answering'
import type { AssetBytes } from './audio/asset-bytes'
import { importAudio } from './audio/decode'

/** A file on this machine, and what its owner calls it. */
export interface ImportTask {
  readonly file: string
  readonly name: string
}

export default answering<ImportTask, AssetBytes>(({ file, name }) => importAudio(file, name))
