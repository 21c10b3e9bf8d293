import { basename, dirname } from 'node:path'
import { createStream } from 'rotating-file-stream'

/** A log grows to so much, and so many older ones are kept beside it, packed. */
const SIZE = '10M'
const KEPT = 5

/**
 * A log that never grows beyond its bounds and never stops the server: what cannot be written, on a full disk, is not.
 * @param file where it goes; nowhere where it is missing
 */
export function logFile(file: string | undefined): (line: string) => void {
  if (!file) return () => undefined
  const stream = createStream(basename(file), {
    path: dirname(file),
    size: SIZE,
    maxFiles: KEPT,
    compress: 'gzip',
    mode: 0o600,
  })
  let fails = false
  stream.on('error', () => (fails = true))
  stream.on('open', () => (fails = false))
  return (line) => {
    if (!fails) stream.write(line + '\n')
  }
}
