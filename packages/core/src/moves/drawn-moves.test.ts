import { describe, expect, it } from 'vitest'
import { smallSong } from '../../test/songs'
import { barTick, meantMoves, SECTION_BARS } from '../../test/drawn/moves'
import { levelScale, linearScale } from '../scale'
import { songTime } from '../song'
import { findMoves } from '.'

const time = songTime(smallSong(64))
const sections = SECTION_BARS.map((bar) => ({ tick: barTick(bar) }))
/** An eighth. */
const NEAR = 480

const set = meantMoves(24)
const found = set.map((meant) => {
  const scale = meant.lane.endsWith('/pan') ? linearScale(-1, 1) : levelScale
  return { meant, moves: findMoves(meant.lane, meant.points, scale, time, sections) }
})

describe(`${set.length} moves as people draw and ride them`, () => {
  it('are called what they are meant to be in at least 97 of 100', () => {
    const wrong = found.filter(({ meant, moves }) => moves.length !== 1 || moves[0]!.kind !== meant.kind)
    const text = wrong.map(
      ({ meant, moves }) => `${meant.name}: ${moves.map((m) => m.kind).join(', ') || 'nothing'}`,
    )
    expect(1 - wrong.length / set.length, text.join('\n')).toBeGreaterThanOrEqual(0.97)
  })

  it('have their edges within an eighth in at least 95 of 100', () => {
    const right = found.filter(({ meant, moves }) => moves[0]?.kind === meant.kind)
    const off = right.filter(
      ({ meant, moves }) =>
        Math.abs(moves[0]!.start - meant.start) > NEAR || Math.abs(moves[0]!.end - meant.end) > NEAR,
    )
    const text = off.map(
      ({ meant, moves }) =>
        `${meant.name}: ${moves[0]!.start - meant.start} and ${moves[0]!.end - meant.end} ticks off`,
    )
    expect(1 - off.length / right.length, text.join('\n')).toBeGreaterThanOrEqual(0.95)
  })
})
