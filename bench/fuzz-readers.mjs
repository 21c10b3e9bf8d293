import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { SERVER_DIST } from '../scripts/lib/paths.mjs'
import { imported } from './core.mjs'
import { entry } from './entry.mjs'
import { randomFrom } from './fuzz-values.mjs'

const EACH = 300
/** Readers that the server calls in the thread that answers everybody. */
const WITHIN_REQUESTS = ['list of students', 'OneRoster', 'mix', 'song', 'brief', 'surface map']

/** A FLAC file as the server makes them. */
async function flacOf(frames) {
  const encoder = new Worker(join(SERVER_DIST, 'flac-encoder-worker.js'))
  const made = new Promise((resolve) => encoder.once('message', ({ result }) => resolve(result.flac)))
  encoder.postMessage([
    Int16Array.from({ length: frames }, (_, n) => 9000 * Math.sin(n / 9) + ((n * 7919) % 700)),
  ])
  const flac = await made
  await encoder.terminate()
  return flac
}

/** What readers take at most of time and memory, over files that are damaged or meant to hurt. */
export async function fuzzReaders(seed) {
  const { readersTake } = await imported('fuzz-readers-run.ts')
  const taken = await readersTake(EACH, randomFrom(seed), await flacOf(20_000))
  return [
    ...taken.map(({ name, inputs, ms }) =>
      entry(
        'fuzz',
        `reader of ${name}: longest of ${inputs} files`,
        ms,
        'ms',
        WITHIN_REQUESTS.includes(name) ? '<= 100' : '<= 2000',
      ),
    ),
    ...taken.map(({ name, mib }) =>
      entry('fuzz', `reader of ${name}: most memory for one`, mib, 'MiB', '<= 400'),
    ),
    entry(
      'fuzz',
      'files that ended in an error instead of a refusal',
      taken.reduce((sum, t) => sum + t.faults, 0),
      '',
      '<= 0',
    ),
  ]
}
