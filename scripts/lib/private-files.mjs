import { chmodSync, lstatSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Sees to it that nobody but its owner reads what is in a folder: files at 0600, folders at 0700. */
export function keepPrivate(folder) {
  const wanted = (path) => {
    const about = lstatSync(path)
    if (about.isSymbolicLink()) return false
    const mode = about.isDirectory() ? 0o700 : 0o600
    if ((about.mode & 0o777) !== mode) chmodSync(path, mode)
    return about.isDirectory()
  }
  try {
    if (!wanted(folder)) return
    for (const name of readdirSync(folder)) keepPrivate(join(folder, name))
  } catch (error) {
    // a file that goes while it is looked at
    if (error.code !== 'ENOENT') throw error
  }
}
