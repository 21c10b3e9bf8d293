/** Worker thread that makes of a file what is kept of it: it is large, and everything done to it takes its time. */
import { readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { unpackBundle } from '@rudlo/core/exchange'
import { badInput } from '../http/problem'
import { answering } from '../jobs/answering'
import type { AssetFile } from './audio/asset-bytes'
import { importAudio } from './audio/decode'

/** A file on this machine, and what its owner calls it; or a bundle. Each with a folder for the audio that comes of it. */
export type ImportTask =
  | { readonly file: string; readonly name: string; readonly folder: string }
  | { readonly bundle: string; readonly folder: string }

/** Audio as it is kept; or the documents of a bundle, which are still to be checked. */
export type Imported = AssetFile | { readonly song: unknown; readonly mix: unknown }

/** Writes each recording of a bundle to a file that is called as the recording is. */
async function unpack(bundle: string, folder: string): Promise<Imported> {
  try {
    const { song, mix, audio } = unpackBundle(await readFile(bundle))
    for (const [id, flac] of audio) await writeFile(join(folder, id), flac)
    return { song, mix }
  } catch (error) {
    throw error instanceof RangeError ? badInput(error.message) : error
  }
}

export default answering<ImportTask, Imported>((task) =>
  'bundle' in task ? unpack(task.bundle, task.folder) : importAudio(task.file, task.name, task.folder),
)
