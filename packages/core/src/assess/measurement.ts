import { render, compileMix, type AudioStore } from '../engine'
import { measureLoudness, type Loudness } from '../loudness'
import type { SectionBalance } from '../heard'
import { lineInCharge, resolve, type Mix } from '../mix'
import { findMoves, type Move } from '../moves'
import { SAMPLE_RATE } from '../time'
import { songTime, type SongVersion } from '../song'

/** What was measured of one hand-in: the lines, and the sound that comes out. Plain data, kept as JSON. */
export interface Measurement {
  readonly version: 1
  /** LUFS; null for silence. */
  readonly integrated: number | null
  /** LU. */
  readonly range: number
  /** dBTP; null for silence. */
  readonly truePeak: number | null
  /** Momentary loudness in LUFS every 100 ms; null for silence. */
  readonly momentary: readonly (number | null)[]
  readonly moves: readonly Move[]
  /** How many points each line has, by address. */
  readonly points: Readonly<Record<string, number>>
  /** Who is how loud, section by section; missing where it was measured before this was. */
  readonly balance?: readonly SectionBalance[]
}

/** The moves of every line that is in charge of its control. */
export function movesOfMix(song: SongVersion, mix: Mix): Move[] {
  const time = songTime(song)
  return mix.envelopes.flatMap(({ address }) => {
    const envelope = lineInCharge(mix, address)
    const found = resolve(mix, address)
    return envelope && found
      ? findMoves(address, envelope.points, found.control.scale, time, song.sections)
      : []
  })
}

/** Renders a mix and measures it. The audio must hold every asset of the song. */
export function measureMix(song: SongVersion, mix: Mix, audio: AudioStore): Measurement {
  const sound = render(compileMix(song, mix), audio)
  if (!sound) throw new Error('The render was stopped.')
  const loudness = measureLoudness(SAMPLE_RATE, [sound.left, sound.right])
  return measurementOf(song, mix, loudness)
}

/** What is kept of a mix whose loudness was measured. */
export function measurementOf(
  song: SongVersion,
  mix: Mix,
  loudness: Pick<Loudness, 'integrated' | 'range' | 'truePeak' | 'momentary'>,
): Measurement {
  return {
    version: 1,
    integrated: loudness.integrated,
    range: loudness.range,
    truePeak: finite(loudness.truePeak),
    momentary: Array.from(loudness.momentary, finite),
    moves: movesOfMix(song, mix).map(storable),
    points: Object.fromEntries(mix.envelopes.map((e) => [e.address, e.points.length])),
  }
}

function finite(x: number): number | null {
  return Number.isFinite(x) ? Math.round(x * 100) / 100 : null
}

/** JSON has no infinity: the slope of a jump is kept as the largest number. */
function storable(move: Move): Move {
  return Number.isFinite(move.steepest) ? move : { ...move, steepest: Number.MAX_VALUE }
}
