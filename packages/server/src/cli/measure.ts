import { closeSync, fstatSync, openSync, readSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import { wavLayout } from '@rudlo/core/exchange'
import { loudnessOf } from '@rudlo/core/loudness'
import { channelsOf, isMeasured, measureStretches, sharedMeasurement } from './measure-stretches'

/** JSON has no infinity: silence is null. */
const finite = (value: number) => (Number.isFinite(value) ? Math.round(value * 100) / 100 : null)

/**
 * `measure FILE.wav [--json]`: loudness and true peak of a file.
 * @throws RangeError with one sentence for what cannot be read
 */
export async function measure(args: readonly string[]): Promise<string> {
  const file = args.find((a) => !a.startsWith('--'))
  if (!file) throw new RangeError('Say which WAV file to measure.')
  const bytes = readShared(file)
  const shared = sharedMeasurement(bytes, wavLayout(bytes))
  // this thread begins at once, the other one takes over as much as it gets done
  const other = new Worker(new URL('stretch-worker.js', import.meta.url), { workerData: shared })
  const done = new Promise<void>((resolve, reject) => {
    other.once('message', () => resolve())
    other.once('error', reject)
  })
  measureStretches(shared)
  if (isMeasured(shared)) done.catch(() => undefined)
  else await done
  void other.terminate()
  const { integrated, momentary, shortTerm, range, truePeak } = loudnessOf(channelsOf(shared))
  if (args.includes('--json')) {
    return JSON.stringify({
      integrated: integrated === null ? null : finite(integrated),
      momentary: Array.from(momentary, finite),
      shortTerm: Array.from(shortTerm, finite),
      range: finite(range),
      truePeak: finite(truePeak),
    })
  }
  return [
    `integrated  ${integrated === null ? 'silence' : `${integrated.toFixed(1)} LUFS`}`,
    `range       ${range.toFixed(1)} LU`,
    `true peak   ${Number.isFinite(truePeak) ? `${truePeak.toFixed(1)} dBTP` : 'silence'}`,
  ].join('\n')
}

/** Reads a whole file into memory that threads can share. */
function readShared(file: string): Uint8Array {
  let descriptor: number
  try {
    descriptor = openSync(file, 'r')
  } catch {
    throw new RangeError(`${file} cannot be opened.`)
  }
  try {
    const bytes = new Uint8Array(new SharedArrayBuffer(fstatSync(descriptor).size))
    let at = 0
    while (at < bytes.length) {
      const read = readSync(descriptor, bytes, at, bytes.length - at, null)
      if (read === 0) break
      at += read
    }
    return bytes.subarray(0, at)
  } finally {
    closeSync(descriptor)
  }
}
