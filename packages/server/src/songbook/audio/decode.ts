import { words } from '@rudlo/words'
import { stat } from 'node:fs/promises'
import { join } from 'node:path'
import { isObject, listOf, readKeptOr, shape } from '@rudlo/core/stored'
import { badInput } from '../../http/problem'
import type { AssetFile } from './asset-bytes'
import { runTool } from './ffmpeg'
import { FLAC_OPTIONS, RATE } from './flac-encoder'
import { listen } from './listener'

/** Longest song that is taken. */
export const LONGEST_SECONDS = 15 * 60
/** Encoders are not exact about lengths: so much may be missing. */
const MISSES_SECONDS = 0.25
const FLAC = 'audio.flac'

/** Containers that are opened at all: playlists and everything that leads elsewhere are not among them. */
const FORMATS = 'wav,w64,aiff,flac,mp3,ogg,mov,caf,aac'

const QUIET = ['-nostdin', '-hide_banner', '-loglevel', 'error', '-protocol_whitelist', 'file']

/**
 * Makes of an audio file what is kept of it: 16 bit at 44.1 kHz, mono or stereo, the same way every time. It is read once: what
 * is decoded is written as FLAC and listened to at the same time.
 * @param file name of a file on this machine
 * @param folder where it is written, among other things: whoever made it removes it
 * @throws Problem 400 with one sentence where it is no audio, is damaged, or too long
 */
export async function importAudio(file: string, name: string, folder: string): Promise<AssetFile> {
  const about = await aboutOf(file, name)
  const heard = await decode(file, folder, name, about)
  const flac = join(folder, FLAC)
  // one sound on both sides is mono
  const kept = heard.channels < about.channels ? await oneSide(flac, folder) : flac
  return { ...heard, file: kept, bytes: (await stat(kept)).size }
}

/** Decodes a file once: to FLAC, and to the samples of each side. */
async function decode(file: string, folder: string, name: string, { channels, seconds }: About) {
  const most = LONGEST_SECONDS + 1
  const sides = ['left', 'right'].slice(0, channels)
  const format = `aformat=sample_fmts=s16:sample_rates=${RATE}:channel_layouts=${channels === 1 ? 'mono' : 'stereo'}`
  const apart = channels === 1 ? 'anull[left]' : 'channelsplit=channel_layout=stereo[left][right]'
  const { code, complaint } = await runTool(
    'ffmpeg',
    [
      ...[...QUIET, '-xerror', '-err_detect', 'explode', '-format_whitelist', FORMATS, '-i', file],
      ...['-filter_complex', `[0:a:0]${format},asplit=2[kept][heard];[heard]${apart}`],
      ...['-map', '[kept]', '-map_metadata', '-1', '-t', String(most), ...FLAC_OPTIONS, join(folder, FLAC)],
      ...sides.flatMap((side) => [
        ...['-map', `[${side}]`, '-t', String(most), '-c:a', 'pcm_s16le', '-bitexact', '-f', 's16le'],
        join(folder, side),
      ]),
    ],
    { take: () => true },
  )
  if (code !== 0)
    throw badInput(
      /timeout|killed/i.test(complaint)
        ? words('upload.takes-too-long', { name })
        : words('upload.damaged-stops-making', { name }),
    )
  const heard = await listen(sides.map((side) => join(folder, side)))
  if (heard.frames > LONGEST_SECONDS * RATE)
    throw badInput(words('upload.longer-minutes-cut', { name, most: LONGEST_SECONDS / 60 }))
  if (!heard.frames) throw badInput(words('upload.contains-no-sound', { name }))
  // decoders step over what they cannot read: what is missing then shows in the length
  const missing = seconds - heard.frames / RATE
  if (missing > Math.max(MISSES_SECONDS, seconds / 100))
    throw badInput(
      words('upload.damaged-cut-off', {
        name,
        lost: Math.round(missing * 10) / 10,
        whole: Math.round(seconds),
      }),
    )
  return heard
}

/** The left side of a FLAC file of this program, as a file of its own. */
async function oneSide(flac: string, folder: string): Promise<string> {
  const mono = join(folder, 'mono.flac')
  const left = ['-filter_complex', '[0:a:0]pan=mono|c0=c0[left]', '-map', '[left]']
  const { code, complaint } = await runTool(
    'ffmpeg',
    [...QUIET, '-i', flac, ...left, ...FLAC_OPTIONS, mono],
    {
      take: () => true,
    },
  )
  if (code !== 0) throw new Error(`FLAC encoding failed: ${complaint}`)
  return mono
}

interface About {
  readonly channels: 1 | 2
  readonly seconds: number
}

/** What a file says of itself. */
async function aboutOf(file: string, name: string): Promise<About> {
  const parts: Buffer[] = []
  const { code } = await runTool(
    'ffprobe',
    [
      ...['-hide_banner', '-loglevel', 'error', '-protocol_whitelist', 'file', '-format_whitelist', FORMATS],
      ...['-select_streams', 'a:0', '-show_entries', 'stream=channels:format=duration', '-of', 'json', file],
    ],
    { take: (piece) => parts.push(piece) < 64 },
  )
  const said: Probe = code === 0 ? readKeptOr(Buffer.concat(parts).toString(), isProbe, {}) : {}
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
