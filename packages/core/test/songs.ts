/** Small songs and sounds for the core's own tests. */
import type { AssetAudio } from '../src/engine'
import { plainMix, trackLevel, withPoints, type Mix } from '../src/mix'
import type { Points } from '../src/envelope'
import type { SongVersion } from '../src/song'
import { SAMPLE_RATE } from '../src/time'

/** A mono and a stereo track, four bars of four at 120: eight seconds. */
export function smallSong(seconds = 8): SongVersion {
  const frames = seconds * SAMPLE_RATE
  const ids = ['a'.repeat(64), 'b'.repeat(64)]
  return {
    format: 'rudlo-song',
    version: 1,
    title: 'Small',
    length: seconds * 1920,
    tempo: [{ tick: 0, bpm: 120, form: 'hold' }],
    meter: [{ tick: 0, beats: 4, unit: 4 }],
    sections: [{ id: 'all', letter: 'A', name: 'All', tick: 0 }],
    tracks: [
      { id: 'reed', name: 'Reed', role: 'lead', channels: 1 },
      { id: 'pad', name: 'Pad', role: 'chords', channels: 2 },
    ],
    regions: [
      { id: 'r1', track: 'reed', asset: ids[0]!, start: 0, offset: 0, length: frames },
      { id: 'r2', track: 'pad', asset: ids[1]!, start: 0, offset: 0, length: frames },
    ],
    assets: [
      { id: ids[0]!, channels: 1, frames },
      { id: ids[1]!, channels: 2, frames },
    ],
  }
}

/** Audio for a small song: `reed` as given, the pad silent unless given too. Values in 16 bit samples. */
export function audioFor(
  song: SongVersion,
  reed: (n: number) => number,
  pad: (n: number, side: number) => number = () => 0,
): Map<string, AssetAudio> {
  const fill = (frames: number, of: (n: number) => number) => new Int16Array(frames).map((_, n) => of(n))
  const [mono, stereo] = song.assets
  return new Map<string, AssetAudio>([
    [mono!.id, { channels: [fill(mono!.frames, reed)], frames: mono!.frames }],
    [
      stereo!.id,
      { channels: [0, 1].map((side) => fill(stereo!.frames, (n) => pad(n, side))), frames: stereo!.frames },
    ],
  ])
}

/** A mix of a song with a volume line on one track. */
export function withLine(song: SongVersion, track: string, points: Points, mix: Mix = plainMix(song)): Mix {
  return withPoints(mix, trackLevel(track), points, () => `line-${track}`)
}
