import { EditRefused, READY_MOVES, suits } from '@rudlo/core/envelope'
import { evidenceOf } from '@rudlo/core/evidence'
import { hear, RecentParts } from '@rudlo/core/heard'
import { mistakesOf } from '@rudlo/core/mistakes'
import { allLanes, plainMix, resolve, withReadyMove, type Mix } from '@rudlo/core/mix'
import { songTime } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../../scripts/lib/whole.mjs'
import { played } from '../../test/played'
import { SONGS, TERM } from '.'

let n = 0

// every move on every lane is played: that takes minutes
describe.runIf(WHOLE)('what a ready move makes, as it is heard,', () => {
  it.each(SONGS.map((score) => ({ title: score.title, score })))('in "$title" is no mistake', ({ score }) => {
    const { song, audio } = played(score)
    // the first balance is too hot before anything was drawn: making room is what it is about
    const start = TERM.findLast((planned) => planned.score === score)!.start(plainMix(song))
    const parts = new RecentParts()
    const heardOf = (mix: Mix) => hear(song, mix, audio, parts)!
    const first = heardOf(start)
    const asGiven = mistakesOf(evidenceOf(song, start, start, { heard: first, first }))
    expect(asGiven.map((m) => m.kind)).not.toContain('too hot')
    const own = new Set(asGiven.map((m) => `${m.kind} ${m.place.lane}`))
    const { meter, length } = songTime(song)
    const found: string[] = []
    const pairs = allLanes(start)
      .filter((lane) => lane !== 'main/level')
      .flatMap((lane) =>
        READY_MOVES.filter((move) => suits(move, resolve(start, lane)!.control)).map(
          (move) => [lane, move] as const,
        ),
      )
    for (const [i, [lane, move]] of pairs.entries()) {
      const section = i % song.sections.length
      const span = {
        from: song.sections[section]!.tick,
        to: song.sections[section + 1]?.tick ?? length,
      }
      let mix: Mix
      try {
        mix = withReadyMove(start, song, songTime(song), { lane, span, move }, () => `ready-${++n}`)
      } catch (error) {
        expect(error).toBeInstanceOf(EditRefused)
        continue
      }
      const evidence = evidenceOf(song, start, mix, { open: [lane], heard: heardOf(mix), first })
      for (const m of mistakesOf(evidence))
        if (!own.has(`${m.kind} ${m.place.lane}`))
          found.push(`${m.kind}: ${move} ${lane} from bar ${meter.placeAt(span.from).bar}`)
    }
    expect(found).toEqual([])
  })
})
