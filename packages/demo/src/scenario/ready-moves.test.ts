import { makeCrossing, READY_MOVES, suits, EditRefused, type Points } from '@rudlo/core/envelope'
import { judge } from '@rudlo/core/checks'
import { evidenceOf } from '@rudlo/core/evidence'
import { mistakesOf } from '@rudlo/core/mistakes'
import {
  allLanes,
  laneAt,
  plainMix,
  resolve,
  trackLevel,
  withPoints,
  withReadyMove,
  type Mix,
} from '@rudlo/core/mix'
import { songTime, type SongVersion } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { WHOLE } from '../../../../scripts/lib/whole.mjs'
import { played } from '../../test/played'
import { TERM } from '.'

/** Every mix that an assignment of the term begins with. */
const starts = TERM.map((planned) => {
  const { song } = played(planned.score)
  return { title: planned.title, song, start: planned.start(plainMix(song)) }
})

/** Sections, and their first and last four bars. */
function* spansOf(song: SongVersion) {
  const { meter, length } = songTime(song)
  const ticks = [...song.sections.map((s) => s.tick), length]
  for (let i = 0; i + 1 < ticks.length; i++) {
    const [from, to] = [ticks[i]!, ticks[i + 1]!]
    yield { from, to }
    const bar = meter.placeAt(from).bar
    const four = meter.barStart(bar + 4)
    if (four < to) yield { from, to: four }
    const last = meter.barStart(meter.placeAt(to - 1).bar - 3)
    if (last > from) yield { from: last, to }
  }
}

let n = 0
const draw = (mix: Mix, lane: string, points: Points) => withPoints(mix, lane, points, () => `ready-${++n}`)

/** Whether a sweep goes up: it begins where the control is far from. */
const goesUp = (start: Mix, lane: string) => {
  const { control, setting } = resolve(start, lane)!
  return control.scale.toTravel(setting) <= 0.6
}

/** The check that asks for what a move does, over its bars. */
function checkOf(move: string, lane: string, { from, to }: { from: number; to: number }, start: Mix) {
  const values = { lane, from, to, beats: 1 }
  switch (move) {
    case 'fade in':
    case 'fade out':
      return { id: 'c', kind: move, values: { ...values, even: 18 } }
    case 'dip':
      return { id: 'c', kind: move, values: { ...values, depth: 6, tolerance: 2 } }
    case 'lift':
      return { id: 'c', kind: move, values: { ...values, depth: 4, tolerance: 2 } }
    case 'sweep':
      return {
        id: 'c',
        kind: move,
        values: { ...values, way: goesUp(start, lane) ? 'up' : 'down', least: 40, beats: 2 },
      }
    case 'throw':
      return { id: 'c', kind: move, values: { ...values, least: -12 } }
    default:
      return null
  }
}

/** Assignments on the two songs; all of them in a whole run. */
const tried = WHOLE ? starts : starts.slice(1, 4)

describe('what a ready move makes', () => {
  it.each(tried)('in "$title" is no mistake, and what its check asks for', ({ song, start }) => {
    const time = songTime(song)
    const own = new Set(mistakesOf(evidenceOf(song, start, start)).map((m) => `${m.kind} ${m.place.lane}`))
    const found: string[] = []
    for (const lane of allLanes(start).filter((l) => l !== 'main/level')) {
      const { control } = resolve(start, lane)!
      for (const move of READY_MOVES.filter((m) => suits(m, control)))
        for (const span of spansOf(song)) {
          let mix: Mix
          try {
            mix = withReadyMove(start, song, time, { lane, span, move }, () => `ready-${++n}`)
          } catch (error) {
            expect(error).toBeInstanceOf(EditRefused)
            continue
          }
          const check =
            (lane.startsWith('track/') && !lane.endsWith('/gain')) || move === 'throw' || move === 'sweep'
              ? checkOf(move, lane, span, start)
              : null
          const evidence = evidenceOf(song, start, mix, {
            open: [lane],
            asked: check ? [{ kind: check.kind, lanes: [lane], from: span.from, to: span.to }] : [],
          })
          const free = evidenceOf(song, start, mix, { open: [lane] })
          const bars = `${move} ${lane} ${time.meter.placeAt(span.from).bar}-${time.meter.placeAt(span.to - 1).bar}`
          for (const e of [evidence, free])
            for (const m of mistakesOf(e))
              if (!own.has(`${m.kind} ${m.place.lane}`))
                found.push(`${m.kind}${e === free ? ' (free)' : ''}: ${bars}`)
          if (check) {
            const { verdict, says } = judge(evidence, check)
            if (verdict !== 'met') found.push(`${says.key}: ${bars}`)
          }
        }
    }
    expect(found).toEqual([])
  })

  it.each(starts)('in "$title" one track goes out as another comes in, with no hole', ({ song, start }) => {
    const found: string[] = []
    const own = new Set(mistakesOf(evidenceOf(song, start, start)).map((m) => `${m.kind} ${m.place.lane}`))
    const [a, b, c] = song.tracks.map((track) => track.id)
    for (const [leaves, comes] of [
      [a!, b!],
      [b!, c!],
      [c!, a!],
    ])
      for (const span of spansOf(song)) {
        const [out, into] = [trackLevel(leaves!), trackLevel(comes!)]
        const [before, after] = [out, into].map((lane) => laneAt(start, lane)!.points) as [Points, Points]
        const made = makeCrossing(before, after, span)
        const mix = draw(draw(start, out, made.leaves), into, made.comes)
        const evidence = evidenceOf(song, start, mix, {
          open: [out, into],
          asked: [{ kind: 'crossing', lanes: [out, into], ...span }],
        })
        const values = { leaves: leaves!, comes: comes!, ...span, hole: 1.5 }
        const { verdict, says } = judge(evidence, { id: 'c', kind: 'crossing', values })
        if (verdict !== 'met') found.push(`${says.key}: ${leaves} ${comes} ${span.from}`)
        for (const m of mistakesOf(evidence))
          if (!own.has(`${m.kind} ${m.place.lane}`) && m.kind !== 'echo stays')
            found.push(`${m.kind}: ${leaves} ${comes} ${span.from}`)
      }
    expect(found).toEqual([])
  })
})
