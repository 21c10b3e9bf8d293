/** Debian's ffmpeg, with little memory and time: it reads what strangers made. */
import { words } from '@rudlo/words'
import { spawn } from 'node:child_process'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Problem } from '../../http/problem'

/** Seconds of work and bytes of memory that one file may take. */
const CPU_SECONDS = 90
const MEMORY = 1024 * 1024 * 1024
const WAIT_MS = 180_000

/** How a program ended. */
export interface Ended {
  /** Its last complaints. */
  readonly complaint: string
  /** null where it was ended. */
  readonly code: number | null
}

/** What a program is given, and who takes what it says. */
export interface Pipes {
  /** Told each piece that it writes; returns false for enough: then it is ended. */
  readonly take: (piece: Buffer) => boolean
  /** What it reads, piece after piece. */
  readonly give?: () => Iterable<Uint8Array>
}

/** Runs a program of the package. @throws Problem 503 where it is not installed */
export function runTool(
  program: 'ffmpeg' | 'ffprobe',
  args: readonly string[],
  { take, give }: Pipes,
): Promise<Ended> {
  return new Promise((resolve, reject) => {
    const limits = [`--as=${MEMORY}`, `--cpu=${CPU_SECONDS}`, program]
    const child = spawn('prlimit', [...limits, ...args], {
      stdio: [give ? 'pipe' : 'ignore', 'pipe', 'pipe'],
      env: { PATH: process.env['PATH'] ?? '/usr/bin:/bin' },
    })
    let complaint = ''
    let enough = false
    const end = (why: string) => {
      complaint += why
      child.kill('SIGKILL')
    }
    const late = setTimeout(() => end('timeout'), WAIT_MS)
    child.stdout!.on('data', (piece: Buffer) => {
      if (enough || take(piece)) return
      enough = true
      end('')
    })
    child.stderr!.on('data', (piece: Buffer) => (complaint = (complaint + piece.toString()).slice(-2000)))
    child.on('error', () => {
      clearTimeout(late)
      reject(new Problem(503, 'no-decoder', words('upload.audio-cannot-read')))
    })
    child.on('close', (code) => {
      clearTimeout(late)
      resolve({ complaint, code: enough ? 0 : code })
    })
    // what ends before it has read everything says so itself
    if (give) void pipeline(Readable.from(give()), child.stdin!).catch(() => undefined)
  })
}
