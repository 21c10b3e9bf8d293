import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { must } from '../scripts/lib/run.mjs'
import { SERVER_DIST } from '../scripts/lib/paths.mjs'
import { entry } from './entry.mjs'

const RATE = 44_100
const SECONDS = 240
const ROUNDS = 5

/** A stereo WAV of 16 bit: music-like, with swells; `drive` above 1 flattens it against full scale. */
function music(drive) {
  const frames = SECONDS * RATE
  const bytes = Buffer.alloc(44 + frames * 4)
  bytes.write('RIFF', 0)
  bytes.writeUInt32LE(36 + frames * 4, 4)
  bytes.write('WAVEfmt ', 8)
  bytes.writeUInt32LE(16, 16)
  bytes.writeUInt16LE(1, 20)
  bytes.writeUInt16LE(2, 22)
  bytes.writeUInt32LE(RATE, 24)
  bytes.writeUInt32LE(RATE * 4, 28)
  bytes.writeUInt16LE(4, 32)
  bytes.writeUInt16LE(16, 34)
  bytes.write('data', 36)
  bytes.writeUInt32LE(frames * 4, 40)
  let state = 1
  for (let n = 0; n < frames; n++) {
    state = (state * 48_271) % 2_147_483_647
    const t = n / RATE
    const swell = 0.35 + 0.3 * Math.sin(t * 0.4) + 0.1 * Math.sin(t * 7)
    for (let side = 0; side < 2; side++) {
      const tone =
        Math.sin(t * (1380 + side * 7)) + 0.6 * Math.sin(t * 3910) + 0.3 * (state / 1_073_741_824 - 1)
      const value = Math.tanh(drive * swell * tone * 0.5) * 0.98
      bytes.writeInt16LE(Math.round(value * 32_767), 44 + n * 4 + side * 2)
    }
  }
  return bytes
}

const seconds = async (what) => {
  const start = performance.now()
  await what()
  return (performance.now() - start) / 1000
}

/** Loudness with true peak against ffmpeg's meter on the same files, whole process against whole process. */
export async function loudness() {
  const folder = mkdtempSync(join(tmpdir(), 'rudlo-bench-'))
  try {
    const entries = []
    for (const [name, drive] of [
      ['a mix', 1],
      ['a heavily limited file', 10],
    ]) {
      const file = join(folder, 'music.wav')
      writeFileSync(file, music(drive))
      const ours = []
      const theirs = []
      for (let round = 0; round < ROUNDS; round++) {
        ours.push(
          await seconds(() => must(process.execPath, [join(SERVER_DIST, 'rudlo.js'), 'measure', file])),
        )
        const ffmpeg = ['-nostdin', '-hide_banner', '-i', file, '-af', 'ebur128=peak=true', '-f', 'null', '-']
        theirs.push(await seconds(() => must('ffmpeg', ffmpeg)))
      }
      entries.push(
        entry(
          'loudness',
          `${name}: speed against ffmpeg’s meter, true peak included`,
          Math.min(...theirs) / Math.min(...ours),
          'times',
          '>= 3',
        ),
      )
    }
    return entries
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}
