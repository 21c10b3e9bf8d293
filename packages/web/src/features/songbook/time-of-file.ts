import type { MidiSong } from '@rudlo/core/midi'
import { letterOf, withTiming, type SongVersion } from '@rudlo/core/song'

/** Reads a MIDI file or a score. @throws RangeError with one sentence for anything else */
export async function scoreOf(file: File): Promise<MidiSong> {
  // readers of files are large, and seldom needed
  const { readScore } = await import('@rudlo/core/score')
  return readScore(new Uint8Array(await file.arrayBuffer()))
}

/**
 * A song of recordings in the tempo, the bars and the sections of a score of the same piece. Sections stay as they are where the
 * score names none.
 */
export function inTimeOf(
  song: SongVersion,
  { tempo, meter, markers }: Pick<MidiSong, 'tempo' | 'meter' | 'markers'>,
  downbeat: number,
  freshId: () => string,
): SongVersion {
  const timed = withTiming(song, { tempo, meter, downbeat })
  const named = markers.filter((m) => m.tick < timed.length)
  if (!named.length) return timed
  const begins = named[0]!.tick === 0 ? named : [{ tick: 0, text: '' }, ...named]
  return {
    ...timed,
    sections: begins.map(({ tick, text }, i) => ({ id: freshId(), letter: letterOf(i), name: text, tick })),
  }
}
