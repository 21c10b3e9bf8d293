import { words } from '@rudlo/words'
import { spawn } from 'node:child_process'
import { isObject, listOf, readKeptOr, shape } from '@rudlo/core/stored'
import { badInput, Problem } from '../http/problem'

const RATE = 44_100
/** Longest song that is taken. */
export const LONGEST_SECONDS = 15 * 60
/** Seconds of work and bytes of memory that decoding one file may take. */
const CPU_SECONDS = 90
const MEMORY = 1024 * 1024 * 1024
const WAIT_MS = 180_000
/** Encoders are not exact about lengths: so much may be missing. */
const MISSES_SECONDS = 0.25

/** Containers that are opened at all: playlists and everything that leads elsewhere are not among them. */
const FORMATS = 'wav,w64,aiff,flac,mp3,ogg,mov,caf,aac'

const OPTIONS = ['-nostdin', '-hide_banner', '-loglevel', 'error', '-protocol_whitelist', 'file']

/**
 * Decodes an audio file to 16 bit at 44.1 kHz, mono or stereo, the same way every time.
 * @param file name of a file on this machine
 * @throws Problem 400 with one sentence where it is no audio, is damaged, or too long
 */
export async function decodeAudio(file: string, name: string): Promise<Int16Array[]> {
  const { channels, seconds } = await about(file, name)
  const most = (LONGEST_SECONDS + 1) * RATE * channels * 2
  const { out, complaint, code } = await run(
    'ffmpeg',
    [
      ...OPTIONS,
      ...['-xerror', '-err_detect', 'explode', '-format_whitelist', FORMATS, '-i', file],
      ...['-map', '0:a:0', '-vn', '-sn', '-dn', '-ac', String(channels), '-ar', String(RATE)],
      ...['-sample_fmt', 's16', '-bitexact', '-f', 's16le', 'pipe:1'],
    ],
    most + 1,
  )
  if (out.length > most)
    throw badInput(words('upload.longer-minutes-cut', { name, most: LONGEST_SECONDS / 60 }))
  if (code !== 0)
    throw badInput(
      /timeout|killed/i.test(complaint)
        ? words('upload.takes-too-long', { name })
        : words('upload.damaged-stops-making', { name }),
    )
  if (out.length < channels * 2) throw badInput(words('upload.contains-no-sound', { name }))
  // decoders step over what they cannot read: what is missing then shows in the length
  const missing = seconds - out.length / (2 * channels * RATE)
  if (missing > Math.max(MISSES_SECONDS, seconds / 100))
    throw badInput(
      words('upload.damaged-cut-off', {
        name,
        lost: Math.round(missing * 10) / 10,
        whole: Math.round(seconds),
      }),
    )
  return apart(out, channels)
}

/** Splits woven samples; two channels that are the same are one. */
function apart(bytes: Buffer, channels: number): Int16Array[] {
  const frames = Math.floor(bytes.length / (2 * channels))
  // a copy of its own begins where 16 bit samples may; they are little-endian, as every machine that Node runs on is
  const woven = new Int16Array(Uint8Array.from(bytes.subarray(0, 2 * channels * frames)).buffer)
  if (channels === 1) return [woven]
  const left = new Int16Array(frames)
  const right = new Int16Array(frames)
  let same = true
  for (let n = 0; n < frames; n++) {
    left[n] = woven[2 * n]!
    right[n] = woven[2 * n + 1]!
    same &&= left[n] === right[n]
  }
  return same ? [left] : [left, right]
}

/** What a file says of itself. */
async function about(file: string, name: string): Promise<{ channels: 1 | 2; seconds: number }> {
  const { out, code } = await run(
    'ffprobe',
    [
      ...['-hide_banner', '-loglevel', 'error', '-protocol_whitelist', 'file', '-format_whitelist', FORMATS],
      ...['-select_streams', 'a:0', '-show_entries', 'stream=channels:format=duration', '-of', 'json', file],
    ],
    65_536,
  )
  const said: Probe = code === 0 ? readKeptOr(out.toString(), isProbe, {}) : {}
  const count = said.streams?.[0]?.channels ?? 0
  if (!(count >= 1)) throw badInput(words('upload.not-audio-file', { name }))
  return { channels: count === 1 ? 1 : 2, seconds: Number(said.format?.duration ?? 0) || 0 }
}

interface Probe {
  readonly streams?: readonly { readonly channels?: number }[]
  readonly format?: { readonly duration?: string }
}
const isProbe = shape<Probe>({
  streams: (value) => value === undefined || listOf(isObject)(value),
  format: (value) => value === undefined || isObject(value),
})

interface Ran {
  readonly out: Buffer
  readonly complaint: string
  readonly code: number | null
}

/** Runs a program of Debian's ffmpeg with little memory and time; what it writes is read up to `most` bytes. */
function run(program: string, args: readonly string[], most: number): Promise<Ran> {
  return new Promise((resolve, reject) => {
    const limits = [`--as=${MEMORY}`, `--cpu=${CPU_SECONDS}`, program]
    const child = spawn('prlimit', [...limits, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { PATH: process.env['PATH'] ?? '/usr/bin:/bin' },
    })
    const parts: Buffer[] = []
    let length = 0
    let complaint = ''
    const late = setTimeout(() => {
      complaint += 'timeout'
      child.kill('SIGKILL')
    }, WAIT_MS)
    child.stdout.on('data', (part: Buffer) => {
      parts.push(part)
      length += part.length
      if (length >= most) child.kill('SIGKILL')
    })
    child.stderr.on('data', (part: Buffer) => (complaint = (complaint + part.toString()).slice(-2000)))
    child.on('error', () => {
      clearTimeout(late)
      reject(new Problem(503, 'no-decoder', words('upload.audio-cannot-read')))
    })
    child.on('close', (code) => {
      clearTimeout(late)
      resolve({ out: Buffer.concat(parts), complaint, code: length >= most ? 0 : code })
    })
  })
}
