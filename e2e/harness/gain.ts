/** What a track's line does to the sound: rendered, not read from the line. */
import { compileMix, render, type AssetAudio } from '@rudlo/core/engine'
import { plainMix, withLane, type Mix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { SAMPLE_RATE } from '@rudlo/core/time'

const STEADY = 16_000

/** The song with this track alone, on it a signal that never changes. */
function steady(song: SongVersion, track: string): { song: SongVersion; audio: Map<string, AssetAudio> } {
  const asset = 'f'.repeat(64)
  const frames = 200 * SAMPLE_RATE
  const region = { id: 'steady', track, asset, start: 0, offset: 0, length: frames }
  return {
    song: {
      ...song,
      tracks: song.tracks.filter((t) => t.id === track).map((t) => ({ ...t, channels: 1 as const })),
      regions: [region],
      assets: [{ id: asset, channels: 1, frames }],
    },
    audio: new Map([[asset, { channels: [new Int16Array(frames).fill(STEADY)], frames }]]),
  }
}

/**
 * Gain of a track's fader or line over the song, by rendering it with and without.
 * @param until seconds up to which it is asked for: no more is rendered
 * @returns dB at a time in seconds
 */
export function gainOf(
  song: SongVersion,
  mix: Mix,
  track: string,
  until: number,
): (seconds: number) => number {
  const { song: alone, audio } = steady(song, track)
  const own: Mix = {
    ...plainMix(alone),
    envelopes: mix.envelopes.filter((e) => e.address === `track/${track}/level`),
  }
  const to = Math.ceil(until * SAMPLE_RATE)
  const flat = withLane(own, `track/${track}/level`, { on: false })
  const [moved, still] = [own, flat].map((m) => render(compileMix(alone, m), audio, { to })!.left)
  return (seconds) => {
    const n = Math.round(seconds * SAMPLE_RATE)
    const share = Math.abs(moved![n]! / still![n]!)
    return share > 0 ? 20 * Math.log10(share) : -90
  }
}
