import { point, travelAt, type Points } from '../envelope'
import { SONG_CONTROLS } from '../scale'
import { songTime, type SongTime, type SongTrack, type SongVersion } from '../song'
import { SAMPLE_RATE, TempoMap, type TempoChange } from '../time'
import { TEMPO } from './address'
import { lineInCharge } from './lanes'
import type { Mix, Region } from './mix'

/** A bent stretch of a line is followed as so many straight ones. */
const PARTS = 12

/** The song's own tempo as a line. */
export function tempoLine({ tempo }: Pick<SongVersion, 'tempo'>): Points {
  const { min, max } = SONG_CONTROLS.tempo.scale
  const inside = (bpm: number) => Math.min(max, Math.max(min, bpm))
  return tempo.map(({ tick, bpm, form }, i) =>
    point(tick, inside(bpm), form === 'ramp' || i === tempo.length - 1 ? 'straight' : 'jump'),
  )
}

/** What a line of the tempo makes of the song's tempo: straight stretches are ramps, bent ones many of them. */
export function tempoChanges(points: Points): TempoChange[] {
  const { scale } = SONG_CONTROLS.tempo
  const changes: TempoChange[] = []
  points.forEach((p, i) => {
    const next = points[i + 1]
    const ramps = next !== undefined && p.form !== 'jump'
    if (i === 0 && p.tick > 0) changes.push({ tick: 0, bpm: p.value, form: 'hold' })
    changes.push({ tick: p.tick, bpm: p.value, form: ramps ? 'ramp' : 'hold' })
    if (!ramps || p.form === 'straight') return
    for (let k = 1; k < PARTS; k++) {
      const tick = p.tick + Math.round(((next.tick - p.tick) * k) / PARTS)
      if (tick > changes.at(-1)!.tick && tick < next.tick)
        changes.push({ tick, bpm: scale.toValue(travelAt(points, scale, tick)), form: 'ramp' })
    }
  })
  return changes
}

/** Who plays in a song and whose notes are not there: a recording keeps the tempo that it was played in. */
export function recordedTracks(song: SongVersion): readonly SongTrack[] {
  const playing = new Set(song.regions.map((r) => r.track))
  return song.tracks.filter((track) => track.part === undefined && playing.has(track.id))
}

/** Whether a song can be played in another tempo: the notes of everybody who plays in it are there. */
export const followsTempo = (song: SongVersion): boolean => recordedTracks(song).length === 0

/** A mix whose tempo can be drawn, as the song has it. The same mix where it could be already. */
export function withTempoLine(mix: Mix, song: SongVersion, id: string): Mix {
  if (mix.envelopes.some((e) => e.address === TEMPO)) return mix
  const line = { id, address: TEMPO, on: true, open: true, points: tempoLine(song) }
  return { ...mix, envelopes: [...mix.envelopes, line] }
}

/** The tempo that a mix asks for; null where the song keeps its own. */
export function askedTempo(song: SongVersion, mix: Mix): readonly TempoChange[] | null {
  const line = lineInCharge(mix, TEMPO)
  if (!line || !followsTempo(song)) return null
  const asked = tempoChanges(line.points)
  const same =
    asked.length === song.tempo.length && asked.every((change, i) => isSame(change, song.tempo[i]!))
  return same ? null : asked
}

const isSame = (a: TempoChange, b: TempoChange) => a.tick === b.tick && a.bpm === b.bpm && a.form === b.form

/** A song and a mix of it as they sound: everything that is counted in samples follows the tempo. */
export interface Sounding {
  readonly song: SongVersion
  readonly mix: Mix
  /** The tempo that its recordings have to be played anew in; null where they are as they were recorded. */
  readonly anew: readonly TempoChange[] | null
}

/** A song and a mix of it in the tempo that the mix asks for. */
export const soundingOf = (song: SongVersion, mix: Mix): Sounding => inTempo(song, mix, askedTempo(song, mix))

/** The time of a song as a mix of it sounds: in the tempo that it asks for. */
export const soundingTime = (song: SongVersion, mix: Mix): SongTime => songTime(soundingOf(song, mix).song)

/**
 * A song and a mix of it in another tempo. Recordings keep their ids; what is heard under them has to be played anew, in the song
 * that is given back.
 * @param tempo as {@link askedTempo} gives it: with null, both come back as they are
 */
export function inTempo(song: SongVersion, mix: Mix, tempo: readonly TempoChange[] | null): Sounding {
  if (!tempo) return { song, mix, anew: null }
  const [own, asked] = [new TempoMap(song.tempo), new TempoMap(tempo)]
  const moved = (sample: number) =>
    Math.round(asked.secondsAt(own.tickAt(sample / SAMPLE_RATE)) * SAMPLE_RATE)
  // whoever plays a part anew plays it to the end of the song
  const frames = Math.round(asked.secondsAt(song.length) * SAMPLE_RATE)
  const region = <R extends Pick<Region, 'offset' | 'length'>>(r: R): R => {
    const offset = moved(r.offset)
    const end = Math.min(moved(r.offset + r.length), frames)
    return { ...r, offset, length: Math.max(1, end - offset) }
  }
  const faded = (r: Region): Region => {
    const made = region(r)
    const share = made.length / r.length
    return { ...made, fadeIn: Math.floor(r.fadeIn * share), fadeOut: Math.floor(r.fadeOut * share) }
  }
  return {
    anew: tempo,
    song: {
      ...song,
      tempo,
      regions: song.regions.map(region),
      assets: song.assets.map((a) => ({ ...a, frames })),
    },
    mix: { ...mix, tracks: mix.tracks.map((t) => ({ ...t, regions: t.regions.map(faded) })) },
  }
}
