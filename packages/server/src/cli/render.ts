import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import {
  compileMix,
  render as renderMix,
  renderStems,
  type AssetAudio,
  type Render,
} from '@rudlo/core/engine'
import { stemName, unpackBundle, writeWav } from '@rudlo/core/exchange'
import { soundingOf, type Mix } from '@rudlo/core/mix'
import { playedAnew } from '@rudlo/core/players'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'
import { checkMix, checkSong } from '@rudlo/core/validate'
import { assetId } from '../songbook/audio/asset-id'
import { decodeFlac } from '../songbook/audio/flac-decoder'
import { readOptions } from './options'

/**
 * `render BUNDLE --out FILE.wav [--stems DIR] [--from BAR] [--to BAR]`: the mixdown of a bundle, and its stems. The
 * bars are both included; without `--to` the tails ring out. Nothing is written before everything is rendered.
 * @throws RangeError with one sentence for what cannot be rendered
 */
export async function render(args: readonly string[]): Promise<string> {
  const { values, positionals } = readOptions(args, ['out', 'stems', 'from', 'to'])
  const [file] = positionals
  if (!file || positionals.length > 1) throw new RangeError('Say which bundle to render.')
  if (!values.out) throw new RangeError('Say where the mixdown goes: --out FILE.wav')
  const bundle = await openBundle(file)
  const { song, mix, anew } = soundingOf(bundle.song, bundle.mix)
  const audio = anew ? playedAnew(song) : bundle.audio
  const stretch = stretchOf(song, values.from, values.to)
  const program = compileMix(song, mix)
  const sound = renderMix(program, audio, stretch)!
  const stems = values.stems ? renderStems(program, audio, stretch)! : []
  const lines = [write(values.out, sound)]
  if (values.stems) {
    mkdirSync(values.stems, { recursive: true })
    stems.forEach(({ track, sound: stem }, i) => {
      const { name } = song.tracks.find((t) => t.id === track)!
      lines.push(write(join(values.stems!, stemName(i, name)), stem))
    })
  }
  return lines.join('\n')
}

/** Writes a WAV file in one go: either all of it is there, or what was there before. */
function write(path: string, { left, right }: Render): string {
  const part = `${path}.part`
  try {
    writeFileSync(part, writeWav(SAMPLE_RATE, [left, right]))
    renameSync(part, path)
  } catch (error) {
    throw new RangeError(`${path} cannot be written (${(error as NodeJS.ErrnoException).code}).`)
  }
  return `${path}  ${(left.length / SAMPLE_RATE).toFixed(2)} s`
}

async function openBundle(
  file: string,
): Promise<{ song: SongVersion; mix: Mix; audio: Map<string, AssetAudio> }> {
  let bytes: Uint8Array
  try {
    bytes = readFileSync(file)
  } catch {
    throw new RangeError(`${file} cannot be opened.`)
  }
  const parts = unpackBundle(bytes)
  const checkedSong = checkSong(parts.song)
  if (!checkedSong.ok) throw new RangeError(`The song in the bundle is not right. ${checkedSong.problem}`)
  const { song } = checkedSong
  const checkedMix = checkMix(parts.mix, song)
  if (!checkedMix.ok) throw new RangeError(`The mix in the bundle is not right. ${checkedMix.problem}`)
  const audio = new Map<string, AssetAudio>()
  for (const { id, frames, channels: count } of song.assets) {
    const channels = await decodeFlac(parts.audio.get(id)!, frames).catch(() => null)
    if (channels?.length !== count || assetId(channels) !== id)
      throw new RangeError(`The audio ${id.slice(0, 8)}… in the bundle is damaged.`)
    audio.set(id, { channels, frames })
  }
  return { song, mix: checkedMix.mix, audio }
}

function stretchOf(song: SongVersion, from?: string, to?: string) {
  const { meter, tempo, length } = songTime(song)
  const last = meter.placeAt(length - 1).bar
  const bar = (text: string, name: string) => {
    const n = Number(text)
    if (!Number.isInteger(n) || n < 1 || n > last)
      throw new RangeError(`--${name} must be a bar of the song, 1 to ${last}.`)
    return n
  }
  const sample = (tick: number) => Math.round(tempo.secondsAt(Math.min(tick, length)) * SAMPLE_RATE)
  const first = from === undefined ? 1 : bar(from, 'from')
  if (to === undefined) return { from: sample(meter.barStart(first)), tail: true }
  const end = bar(to, 'to')
  if (end < first) throw new RangeError('--to comes before --from.')
  return { from: sample(meter.barStart(first)), to: sample(meter.barStart(end + 1)) }
}
