import { closeSync, existsSync, fsyncSync, openSync, renameSync, rmSync } from 'node:fs'
import { join } from 'node:path'

/*
 * A restore makes the files of a database beside those that are there. One renaming decides: before it, nothing has changed;
 * from it on, the change is carried through by whoever comes next. So a kill at any moment leaves the one or the other.
 */

/** Where a restore makes its database, under the folder of the one that is there. */
export const incoming = (folder) => join(folder, 'incoming')
/** Files that are whole, and wait to take the place of those that are there. */
const decided = (folder) => join(folder, 'restored')
/** What was there before the last restore. */
export const replaced = (folder) => join(folder, 'replaced')

/** Decides for what came in. Its database has ended. */
export function decide(folder) {
  renameSync(join(incoming(folder), 'files'), decided(folder))
  onDisk(folder)
  changeOver(folder)
}

/** Carries through what was decided, if anything was. No database of these files runs. */
export function changeOver(folder) {
  if (!existsSync(decided(folder))) return
  const files = join(folder, 'files')
  if (existsSync(files)) {
    rmSync(replaced(folder), { recursive: true, force: true })
    renameSync(files, replaced(folder))
  }
  renameSync(decided(folder), files)
  onDisk(folder)
  rmSync(incoming(folder), { recursive: true, force: true })
}

/** Renamings of a folder are on disk once the folder is. */
function onDisk(folder) {
  const handle = openSync(folder, 'r')
  fsyncSync(handle)
  closeSync(handle)
}
