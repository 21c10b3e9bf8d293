/** FLAC as Rudlo keeps it, made by ffmpeg, which is here anyway. */
import { mkdtemp, readFile, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { runTool } from './ffmpeg'

export const RATE = 44_100
/** Frames that are woven at a time. */
const STRETCH = 65_536

/** Options of every file that is written: blocks of one size, so that a place in it can be found; no date, no name of a program. */
export const FLAC_OPTIONS = [
  '-c:a',
  'flac',
  '-compression_level',
  '4',
  '-frame_size',
  '4096',
  '-bitexact',
  '-f',
  'flac',
]

/** Samples of channels in turn. */
function* woven(channels: readonly Int16Array[]): Iterable<Uint8Array> {
  const frames = channels[0]!.length
  for (let start = 0; start < frames; start += STRETCH) {
    const count = Math.min(STRETCH, frames - start)
    const out = new Int16Array(count * channels.length)
    channels.forEach((samples, c) => {
      for (let n = 0; n < count; n++) out[n * channels.length + c] = samples[start + n]!
    })
    yield new Uint8Array(out.buffer)
  }
}

/** Encodes channels of 16 bit at 44.1 kHz. */
export async function encodeFlac(channels: readonly Int16Array[]): Promise<Uint8Array> {
  const folder = await mkdtemp(join(tmpdir(), 'rudlo-flac-'))
  try {
    // a file, and no pipe: its length and its checksum are written at its beginning when it is done
    const file = join(folder, 'audio.flac')
    const { code, complaint } = await runTool(
      'ffmpeg',
      [
        ...['-nostdin', '-hide_banner', '-loglevel', 'error', '-f', 's16le', '-ar', String(RATE)],
        ...['-ac', String(channels.length), '-i', 'pipe:0', ...FLAC_OPTIONS, file],
      ],
      { take: () => true, give: () => woven(channels) },
    )
    if (code !== 0) throw new Error(`FLAC encoding failed: ${complaint}`)
    return await readFile(file)
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}
