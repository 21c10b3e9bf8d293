import { judgeTasks, assessWork } from '@rudlo/core/brief'
import { evidenceOf } from '@rudlo/core/evidence'
import { point } from '@rudlo/core/envelope'
import type { AssetAudio } from '@rudlo/core/engine'
import { RecentParts } from '@rudlo/core/heard'
import { mistakesOf } from '@rudlo/core/mistakes'
import { findMoves } from '@rudlo/core/moves'
import { plainMix, type Mix } from '@rudlo/core/mix'
import { levelScale, linearScale } from '@rudlo/core/scale'
import { songTime } from '@rudlo/core/song'
import { madeOf, playPart, SONGS, songVersionOf, TERM } from '@rudlo/demo'
import { barTick, meantMoves, SECTION_BARS } from '../packages/core/test/drawn/moves'
import { accused, checksJudged, mistakesJudged } from '../packages/core/test/judging/judged'
import { marksJudged } from '../packages/core/test/judging/marked'
import { scoreOf } from '../packages/core/test/judging/score'
import { wholeLines } from '../packages/core/test/judging/whole-lines'
import { smallSong } from '../packages/core/test/songs'

/** What the server marks a class with. */
export { Recordings } from '../packages/server/src/jobs/recordings'
export { WorkerPool } from '../packages/server/src/jobs/worker-pool'

const best = (rounds: number, run: () => unknown): number => {
  let least = Infinity
  for (let i = 0; i < rounds; i++) {
    const start = performance.now()
    run()
    least = Math.min(least, performance.now() - start)
  }
  return least
}

/** Moves and mistakes of 40 lanes with 500 points, in ms. */
export function manyLanes(): number {
  const song = { ...smallSong(90), length: 90 * 1920 }
  const tracks = Array.from({ length: 20 }, (_, i) => ({ ...song.tracks[0]!, id: `t${i}` }))
  const large = { ...song, tracks, regions: [] }
  const mix: Mix = {
    ...plainMix(large),
    envelopes: tracks.flatMap(({ id }) =>
      ['level', 'pan'].map((word) => ({
        id: `${id}-${word}`,
        address: `track/${id}/${word}`,
        on: true,
        open: true,
        points: Array.from({ length: 500 }, (_, k) =>
          point(k * 340, word === 'pan' ? Math.sin(k / 9) * 0.8 : -8 + 5 * Math.sin(k / 11)),
        ),
      })),
    ),
  }
  const start = plainMix(large)
  return best(15, () => mistakesOf(evidenceOf(large, start, mix)))
}

/** Share of moves that are called right, and of those with edges within an eighth. */
export function movesRight(): { readonly kinds: number; readonly edges: number } {
  const time = songTime(smallSong(64))
  const sections = SECTION_BARS.map((bar) => ({ tick: barTick(bar) }))
  const found = meantMoves(24).map((meant) => {
    const scale = meant.lane.endsWith('/pan') ? linearScale(-1, 1) : levelScale
    return { meant, moves: findMoves(meant.lane, meant.points, scale, time, sections) }
  })
  const right = found.filter(({ meant, moves }) => moves.length === 1 && moves[0]!.kind === meant.kind)
  const near = right.filter(
    ({ meant, moves }) =>
      Math.abs(moves[0]!.start - meant.start) <= 480 && Math.abs(moves[0]!.end - meant.end) <= 480,
  )
  return { kinds: (100 * right.length) / found.length, edges: (100 * near.length) / right.length }
}

/** How well whole lines are told of the half that nobody works on. In percent. */
export function sealedLines() {
  const lines = wholeLines(1000, 'sealed')
  const all = scoreOf(lines)
  const byHand = scoreOf(lines.filter((l) => l.ridden))
  return {
    lines: all.lines,
    named: (100 * all.named) / all.lines,
    ridden: (100 * byHand.named) / byHand.lines,
    edges: (100 * all.edges) / all.moves,
    false: (100 * all.falseMoves) / all.moves,
  }
}

/** The weakest mistake's precision and recall on the half that nobody works on, in percent. */
export function sealedMistakes(each: number): { readonly precision: number; readonly recall: number } {
  const figures = mistakesJudged(each, 'sealed')
  return {
    precision: Math.min(...figures.map((f) => f.precision)),
    recall: Math.min(...figures.map((f) => f.recall)),
  }
}

/** How answers are judged of the half that nobody works on: all, the weakest check, those by another way, right ones accused. In percent. */
export function sealedAnswers(each: number) {
  const scores = checksJudged(each, 'sealed')
  const { right, accusations } = accused(each, 'sealed')
  const sum = (of: (s: (typeof scores)[number]) => number) => scores.reduce((n, s) => n + of(s), 0)
  return {
    right: (100 * sum((s) => s.right)) / sum((s) => s.judged),
    weakest: Math.min(...scores.map((s) => (100 * s.right) / s.judged)),
    others: (100 * sum((s) => s.accepted)) / sum((s) => s.others),
    accused: (100 * accusations.length) / right,
  }
}

/** Proposed marks beside a teacher's, of the half that nobody works on. */
export const sealedMarks = (count: number) => marksJudged(count, 'sealed')

/** Checks by lines alone of every assignment of the demo, in ms; and one that needs the sound, cold and warm, in s. */
export function demoChecks(): { readonly lines: number; readonly cold: number; readonly warm: number } {
  const planned = TERM[2]!
  const score = SONGS[0]
  const played = score.parts.map((part) => playPart(score, part))
  const audio = new Map<string, AssetAudio>(
    played.map(({ part, channels }) => [part.id, { channels, frames: channels[0]!.length }]),
  )
  const song = songVersionOf(
    score,
    played,
    score.parts.map((p) => p.id),
  )
  const start = planned.start(plainMix(song))
  const mixes = planned.handIns.map((h) => madeOf(start, h))
  const evidence = evidenceOf(song, start, mixes[0]!)
  const lines = best(5, () => judgeTasks(evidence, planned.brief.tasks))
  const parts = new RecentParts()
  const task = (mix: Mix) => ({ song, start, mix, brief: planned.brief, more: {} })
  const cold = best(1, () => assessWork(task(mixes[0]!), audio, parts))
  const warm = Math.min(...mixes.slice(1, 4).map((mix) => best(1, () => assessWork(task(mix), audio, parts))))
  return { lines, cold: cold / 1000, warm: warm / 1000 }
}

/** A class of hand-ins of the song with effects, all different: what the measuring workers are given. */
export function classOf(count: number) {
  const planned = TERM[4]!
  const { score } = planned
  const played = score.parts.map((part) => playPart(score, part))
  const song = songVersionOf(
    score,
    played,
    score.parts.map((p) => p.id),
  )
  const start = planned.start(plainMix(song))
  const lanes = Object.keys(planned.model!.lines)
  const mixes = Array.from({ length: count }, (_, i) =>
    madeOf(start, {
      lines: {
        ...planned.model!.lines,
        [lanes[0]!]: planned.model!.lines[lanes[0]!]!.map((p) => ({
          ...p,
          value: Math.max(-90, p.value - i * 0.1),
        })),
        'track/fife/level': [point(0, -8 - i * 0.1), point(40_000 + i * 100, -3)],
      },
    }),
  )
  return { song, start, mixes, brief: planned.brief, sounds: played.map((p) => p.channels) }
}
