import 'reflect-metadata'
import { loadBackup, lookThrough } from '../backup/load'
import { connectionFrom } from '../config'
import { readOptions } from './options'

/**
 * `load-backup FILE`: fills an empty database with a backup; `--look` reads the file through and touches nothing. Called by
 * `npm run restore`.
 * @throws RangeError with one sentence where the file is missing, or cannot be read in
 */
export async function loadBackupFile(args: readonly string[]): Promise<string> {
  const { values, positionals } = readOptions(args, ['look'], ['look'])
  const [file] = positionals
  if (!file) throw new RangeError('Say which backup.')
  if (values.look !== undefined) await lookThrough(file)
  else await loadBackup(connectionFrom(process.env), file)
  return ''
}
