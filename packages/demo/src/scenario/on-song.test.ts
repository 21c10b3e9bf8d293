import { briefOnSong, matchTracks, readBrief } from '@rudlo/core/brief'
import { plainMix, resolve, TEMPO } from '@rudlo/core/mix'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { songVersionOf, type Score } from '../songs'
import { SONGS, TERM } from '.'

/** The songs as they are written: nothing here is heard. */
const songs = new Map<Score, SongVersion>(
  SONGS.map((score) => {
    const played = score.parts.map((part) => ({ part, channels: [new Int16Array(441_000)] }))
    return [
      score,
      songVersionOf(
        score,
        played,
        score.parts.map((p) => p.id),
      ),
    ]
  }),
)

describe('a brief on another song', () => {
  it.each(
    TERM.flatMap((planned) =>
      SONGS.map((to) => ({ title: planned.title, song: to.title, planned, from: planned.score, to })),
    ),
  )('“$title” on “$song” can be given out', ({ planned, from, to }) => {
    const [here, there] = [songs.get(from)!, songs.get(to)!]
    const start = planned.start(plainMix(here))
    const made = briefOnSong(planned.brief, start, here, there)
    for (const task of made.brief.tasks) {
      expect(task.from).toBeLessThan(task.to)
      expect(task.to).toBeLessThanOrEqual(there.length)
      for (const lane of task.lanes) expect(resolve(made.startingMix, lane)).not.toBeNull()
    }
    for (const lane of made.brief.open.filter((l) => l !== TEMPO))
      expect(resolve(made.startingMix, lane)).not.toBeNull()
    // what cannot be asked of this song is told by the reader in a sentence, and nothing else goes wrong
    try {
      readBrief(made.brief, there, made.startingMix)
    } catch (error) {
      expect(error).toBeInstanceOf(RangeError)
    }
  })

  it.each(TERM.map((t) => [t.title, t] as const))('“%s” on its own song is as it was', (_, planned) => {
    const song = songs.get(planned.score)!
    const start = planned.start(plainMix(song))
    const { brief, differences } = briefOnSong(planned.brief, start, song, song)
    expect(brief.tasks.map((t) => [t.from, t.to, t.lanes, t.checks])).toEqual(
      planned.brief.tasks.map((t) => [t.from, t.to, t.lanes, t.checks]),
    )
    expect(brief.open).toEqual(planned.brief.open)
    expect(differences.filter((d) => d.kind !== 'words')).toEqual([])
  })

  it('matches tracks by name, then by role, each at most once, and tells what became of them', () => {
    const [ferry, waltz] = SONGS.map((s) => songs.get(s)!) as [SongVersion, SongVersion]
    const matched = [...matchTracks(ferry, waltz)]
    expect(new Set(matched.map(([, t]) => t.id)).size).toBe(matched.length)
    for (const [id, track] of matched) {
      const was = ferry.tracks.find((t) => t.id === id)!
      expect(was.name === track.name || was.role === track.role).toBe(true)
    }
    const planned = TERM.find((t) => t.score.title === ferry.title && t.brief.tasks.length > 2)!
    const { differences } = briefOnSong(planned.brief, planned.start(plainMix(ferry)), ferry, waltz)
    expect(differences.map((d) => d.kind)).toEqual(expect.arrayContaining(['track', 'bars', 'words']))
  })

  it('puts what begins a section at the beginning of the one that stands for it', () => {
    const [ferry, waltz] = SONGS.map((s) => songs.get(s)!) as [SongVersion, SongVersion]
    const [task] = TERM[0]!.brief.tasks
    const at = ferry.sections[1]!.tick
    const brief = { ...TERM[0]!.brief, tasks: [{ ...task!, from: at, to: at + 4 * 960, checks: [] }] }
    const made = briefOnSong(brief, plainMix(ferry), ferry, waltz)
    expect(made.brief.tasks[0]!.from).toBe(waltz.sections[1]!.tick)
    const { meter } = songTime(waltz)
    expect(made.brief.tasks[0]!.to).toBe(meter.barStart(meter.placeAt(waltz.sections[1]!.tick).bar + 1))
  })
})
