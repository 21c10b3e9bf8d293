import { closeSync, fstatSync, openSync, readSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import { wavLayout } from '@rudlo/core/exchange'
import { loudnessOf, type ChannelLoudness } from '@rudlo/core/loudness'
import { measureChannel, type ChannelTask } from './measure-channel'

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
  const layout = wavLayout(bytes)
  // each channel has a thread of its own: this one takes the first
  const others = Array.from({ length: layout.channels - 1 }, (_, i) =>
    inThread({ bytes, layout, channel: i + 1 }),
  )
  const first = measureChannel({ bytes, layout, channel: 0 })
  const all = [first, ...(await Promise.all(others))]
  const { integrated, momentary, shortTerm, range, truePeak } = loudnessOf(all)
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

/**
 * Measures a channel beside this thread. A bare worker and no pool: it begins by itself, while a pool hands out its
 * work from a thread that is busy here.
 */
function inThread(task: ChannelTask): Promise<ChannelLoudness> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('channel-worker.js', import.meta.url), { workerData: task })
    worker.once('message', resolve)
    worker.once('error', reject)
  })
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
