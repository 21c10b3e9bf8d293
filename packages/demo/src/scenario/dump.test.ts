import { assessWork, readBrief, type Assessment } from '@rudlo/core/brief'
import type { AssetAudio } from '@rudlo/core/engine'
import { RecentParts } from '@rudlo/core/heard'
import { MISTAKES } from '@rudlo/core/mistakes'
import { plainMix } from '@rudlo/core/mix'
import type { SongVersion } from '@rudlo/core/song'
import { beforeAll, describe, expect, it } from 'vitest'
import { playPart, songVersionOf, type Score } from '../songs'
import { madeOf, SONGS, STUDENTS, TERM, type PlannedAssignment, type PlannedHandIn } from '.'

const songs = new Map<Score, { readonly song: SongVersion; readonly audio: Map<string, AssetAudio> }>()
const parts = new RecentParts(2000)

beforeAll(() => {
  for (const score of SONGS) {
    const played = score.parts.map((part) => playPart(score, part))
    const ids = score.parts.map((p) => p.id)
    const audio = new Map(
      played.map(({ part, channels }) => [part.id, { channels, frames: channels[0]!.length }]),
    )
    songs.set(score, { song: songVersionOf(score, played, ids), audio })
  }
}, 120_000)

/** What the brief says of a work, as the server would. */
function assessed(planned: PlannedAssignment, made: Partial<PlannedHandIn>): Assessment {
  const { song, audio } = songs.get(planned.score)!
  const start = planned.start(plainMix(song))
  const mix = madeOf(start, { lines: {}, ...made })
  const more = { commands: made.commands ?? [], writing: made.writing ?? [] }
  return assessWork({ song, start, mix, brief: planned.brief, more }, audio, parts)!.assessment
}

const met = (a: Assessment) => a.tasks.filter((t) => t.verdict === 'met').length


describe('dump', () => {
  it('x', () => {
    for (const planned of TERM) {
      console.log('#### ' + planned.title)
      for (const h of planned.handIns) {
        const found = assessed(planned, h)
        console.log('== ' + h.student + '\n' + found.tasks.flatMap((t) => t.checks.map((c) => `  ${c.finding.verdict}: [${c.kind}] ${c.finding.sentence}`)).join('\n') + '\n' + found.mistakes.map((m) => `  ! ${m.kind}: ${m.sentence}`).join('\n'))
      }
    }
  }, 240000)
})
