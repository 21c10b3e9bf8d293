import { words } from '@rudlo/words'
import { randomUUID } from 'node:crypto'
import { MIX_LUFS, MIX_PEAK } from '@rudlo/core/analysis'
import type { BroughtLine } from '@rudlo/core/midi'
import { addReturn, addSend, plainMix, playingOf, withPoints, withSetting, type Mix } from '@rudlo/core/mix'
import { MIXER_CONTROLS } from '@rudlo/core/scale'
import type { SongVersion } from '@rudlo/core/song'
import type { Weight } from './weigh'
import type { BroughtLines } from './worker'

const { min: SILENT, max: LOUDEST } = MIXER_CONTROLS.level.scale

/** The lines that the parts bring along, on the plainest mix; null where they bring none. */
export function broughtMix(song: SongVersion, brings: readonly BroughtLines[]): Mix | null {
  const plain = plainMix(song)
  const brought = brings.map((lines, i) => ({ track: song.tracks[i]!.id, lines }))
  let mix = plain
  const take = (address: string, { setting, points }: BroughtLine) => {
    mix = withSetting(mix, address, setting)
    if (points.length) mix = withPoints(mix, address, points, randomUUID)
  }
  for (const { track, lines } of brought) {
    take(`track/${track}/level`, lines.level)
    take(`track/${track}/pan`, lines.pan)
    take(`effect/${playingOf(track)}/attack`, lines.attack)
    take(`effect/${playingOf(track)}/brightness`, lines.brightness)
  }
  // a return only where somebody is sent to it
  for (const { word, name, kind } of RETURNS) {
    const sent = brought.filter(({ lines }) => lines[word].points.length || lines[word].setting > SILENT)
    if (!sent.length) continue
    const back = randomUUID()
    mix = addReturn(mix, words(`new-name.${name}`), kind, { back, effect: randomUUID() })
    for (const { track, lines } of sent) {
      const send = randomUUID()
      mix = addSend(mix, track, back, send)
      take(`send/${send}/level`, lines[word])
    }
  }
  return mix === plain ? null : mix
}

const RETURNS = [
  { word: 'reverb', name: 'hall', kind: 'reverb' },
  { word: 'chorus', name: 'chorus', kind: 'flanger' },
] as const

/**
 * Moves all levels of a mix together, faders and lines alike: what a file says of its parts is kept beside each other, and the
 * whole is as loud as a song that brings nothing, with as much room. No level passes the end of its fader.
 */
export function levelled(mix: Mix, { loudness, truePeak }: Weight): Mix {
  if (loudness === null) return mix
  const highest = mix.tracks.reduce((high, track) => {
    const line = lineOf(mix, track.id)
    return Math.max(high, ...(line?.map((p) => p.value) ?? [track.level]))
  }, SILENT)
  const wanted = Math.min(MIX_LUFS - loudness, MIX_PEAK - truePeak, LOUDEST - highest)
  const by = Math.round(wanted * 10) / 10
  const moved = (level: number) =>
    level <= SILENT ? SILENT : Math.max(SILENT, Math.min(LOUDEST, level + by))
  return {
    ...mix,
    tracks: mix.tracks.map((t) => ({ ...t, level: moved(t.level) })),
    envelopes: mix.envelopes.map((e) =>
      mix.tracks.some((t) => e.address === `track/${t.id}/level`)
        ? { ...e, points: e.points.map((p) => ({ ...p, value: moved(p.value) })) }
        : e,
    ),
  }
}

const lineOf = (mix: Mix, track: string) =>
  mix.envelopes.find((e) => e.address === `track/${track}/level` && e.points.length)?.points
