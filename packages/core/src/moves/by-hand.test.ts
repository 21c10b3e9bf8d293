import { describe, expect, it } from 'vitest'
import cases from '../../test/drawn/by-hand.json'
import { SECTION_BARS, barTick } from '../../test/drawn/moves'
import { smallSong } from '../../test/songs'
import { FORMS, point } from '../envelope'
import { levelScale, linearScale } from '../scale'
import { songTime } from '../song'
import { parsePlace } from '../time'
import { findMoves } from '.'

const time = songTime(smallSong(64))
const sections = SECTION_BARS.map((bar) => ({ tick: barTick(bar) }))
const tick = (place: string) => parsePlace(time.meter, place)!
const LANES: Readonly<Record<string, string>> = {
  level: 'track/reed/level',
  send: 'send/s1/level',
  pan: 'track/reed/pan',
}

/** A point as it is written down: place, value, and the form of the line after it. */
function pointOf([place, value, form]: readonly (string | number)[]) {
  const known = FORMS.find((f) => f === (form ?? 'straight'))
  if (!known) throw new Error(`${String(form)} is no form.`)
  return point(tick(String(place)), Number(value), known)
}
const CASES = cases.map(([kind, lane, points, start, end]) => {
  if (!Array.isArray(points)) throw new Error(`${String(kind)} has no points.`)
  return [String(kind), String(lane), points.map(pointOf), String(start), String(end)] as const
})

describe('moves drawn by hand', () => {
  it.each(CASES)('%s on %s', (kind, lane, line, start, end) => {
    const scale = lane === 'pan' ? linearScale(-1, 1) : levelScale
    const [move, ...more] = findMoves(LANES[lane]!, line, scale, time, sections)
    expect(more).toEqual([])
    expect(move?.kind).toBe(kind)
    expect(Math.abs(move!.start - tick(start))).toBeLessThanOrEqual(480)
    expect(Math.abs(move!.end - tick(end))).toBeLessThanOrEqual(480)
  })
})
