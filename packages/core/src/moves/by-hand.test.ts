import { describe, expect, it } from 'vitest'
import cases from '../../test/drawn/by-hand.json'
import { SECTION_BARS, barTick } from '../../test/drawn/moves'
import { smallSong } from '../../test/songs'
import { point, type Form } from '../envelope'
import { levelScale, linearScale } from '../scale'
import { songTime } from '../song'
import { parsePlace } from '../time'
import { findMoves } from '.'

type Case = [
  kind: string,
  lane: string,
  points: [place: string, value: number, form?: Form][],
  start: string,
  end: string,
]

const time = songTime(smallSong(64))
const sections = SECTION_BARS.map((bar) => ({ tick: barTick(bar) }))
const tick = (place: string) => parsePlace(time.meter, place)!
const LANES: Readonly<Record<string, string>> = {
  level: 'track/reed/level',
  send: 'send/s1/level',
  pan: 'track/reed/pan',
}

describe('moves drawn by hand', () => {
  it.each(cases as unknown as Case[])('%s on %s', (kind, lane, points, start, end) => {
    const line = points.map(([place, value, form]) => point(tick(place), value, form ?? 'straight'))
    const scale = lane === 'pan' ? linearScale(-1, 1) : levelScale
    const [move, ...more] = findMoves(LANES[lane]!, line, scale, time, sections)
    expect(more).toEqual([])
    expect(move?.kind).toBe(kind)
    expect(Math.abs(move!.start - tick(start))).toBeLessThanOrEqual(480)
    expect(Math.abs(move!.end - tick(end))).toBeLessThanOrEqual(480)
  })
})
