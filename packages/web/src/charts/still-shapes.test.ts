import type { BuildPicture, FadePicture, Picture } from '@rudlo/core/heard'
import { songTime } from '@rudlo/core/song'
import { describe, expect, it } from 'vitest'
import { shortSong } from '../../test/short-song'
import { stillShapes } from './still-shapes'

const time = songTime(shortSong)
const BAR = 3840
const BAND = [0, 4] as const
const fade = (loss: readonly (number | null)[]): Picture => ({
  kind: 'fade',
  lane: 'l',
  fade: { first: 0, loss, even: loss.map(() => null) } as unknown as FadePicture,
})
const build = (...adds: (number | null)[]): Picture => ({
  kind: 'build',
  grows: true,
  build: {
    bars: adds.map((value, i) => ({ bar: i + 1, from: i * BAR, to: (i + 1) * BAR, adds: value })),
  } as unknown as BuildPicture,
})

describe('a picture that stands still', () => {
  it('of a fade begins and ends with bars, and is parted where nothing could be heard', () => {
    const { shown, lines, range } = stillShapes(fade([0, -1, -2, null, -60, -60]), time, BAND)
    expect([shown.from, shown.to % BAR]).toEqual([0, 0])
    expect(lines.map((l) => l.places.length)).toEqual([3, 2])
    // what is further down is not heard, and not drawn any deeper
    expect(lines[1]!.places.map(([, value]) => value)).toEqual([-48, -48])
    expect(range).toEqual([-48, 0])
  })

  it('of a build has a column for every bar that sounds, side by side', () => {
    const { columns, range } = stillShapes(build(-1, null, 4.2), time, BAND)
    expect(columns).toEqual([
      { from: 0, to: 1 / 3, value: -1 },
      { from: 2 / 3, to: 1, value: 4.2 },
    ])
    expect(range).toEqual([-3, 5])
  })

  it('of nothing is empty, and breaks nothing', () => {
    expect(stillShapes(build(), time, BAND).columns).toEqual([])
    expect(stillShapes(fade([null, null]), time, BAND).lines).toEqual([])
  })

  it('of a balance has the band that is asked for', () => {
    const balance = { sections: [], way: [], bars: [{ bar: 1, from: 0, to: BAR, lead: -7 }] }
    const shapes = stillShapes({ kind: 'balance', balance }, time, BAND)
    expect([shapes.band, shapes.range]).toEqual([BAND, [-7, 4]])
  })

  it('shows the same bars as others, where they are compared', () => {
    const over = { from: BAR, to: 3 * BAR }
    const { shown, columns } = stillShapes(build(-1, 2, 4), time, BAND, over)
    expect([shown, columns.map((c) => c.from)]).toEqual([over, [0, 0.5]])
    // ten looks a second: a bar is two seconds
    const { lines } = stillShapes(fade(Array.from({ length: 60 }, () => -3)), time, BAND, over)
    expect(lines[0]!.places[0]![0]).toBeLessThan(0.05)
  })
})
